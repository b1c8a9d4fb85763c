/** What a sticker's address opens: the unit's file, behind the sign-in like everything. */
import { useQuery } from "@tanstack/react-query";
import { Navigate, useParams } from "react-router";

import { api, data } from "../../api/client";
import { Notice } from "../../shell/Notice";

export default function TagScreen() {
  const { tag = "" } = useParams();
  const found = useQuery({
    queryKey: ["tag", tag],
    queryFn: () => data(api.GET("/api/v1/units/by-tag/{tag}", { params: { path: { tag } } })),
  });
  if (found.isPending) return <Notice>Opening the unit …</Notice>;
  if (found.isError) return <Notice>No unit of your company has this sticker.</Notice>;
  return <Navigate to={`/units/${found.data.id}`} replace />;
}
