/** The company as this device has it: what a visit is opened with where there is no signal. */
import { api, data, type Schemas } from "../api/client";
import { remembered } from "./remember";

export const kit = (): Promise<Schemas["Kit"]> => remembered("kit", () => data(api.GET("/api/v1/kit")));
