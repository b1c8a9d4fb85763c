/** Between what is on a van as the server keeps it and as it is typed. */
import type { Schemas } from "../../api/client";
import { numeric } from "../../shell/prefix";

type StockPart = Schemas["StockPart"];

export interface PartTyped {
  duty: "run" | "start";
  uf: string;
  fan_uf: string;
  vac: string;
  count: string;
}
export interface VanTyped {
  parts: PartTyped[];
}

export const EMPTY: PartTyped = { duty: "run", uf: "", fan_uf: "", vac: "440", count: "1" };

export const typedVan = (parts: readonly StockPart[]): VanTyped => ({
  parts: parts.map(({ duty, uf, fan_uf, vac, count }) => ({
    duty,
    uf: String(uf),
    fan_uf: fan_uf == null ? "" : String(fan_uf),
    vac: String(vac),
    count: String(count),
  })),
});

export const vanFrom = ({ parts }: VanTyped): StockPart[] =>
  parts.map(({ duty, uf, fan_uf, vac, count }) => ({
    duty,
    uf: numeric(uf),
    fan_uf: fan_uf.trim() === "" ? null : numeric(fan_uf),
    vac: numeric(vac),
    count: numeric(count),
  }));
