import type { RouterContextProvider } from "react-router";
import { addressContext } from "../server/entrance.ts";
import { deviceOf } from "./cookies.server.ts";
import { deviceName } from "./device-name.ts";

/** From where someone tries to sign in: the network address, and the device. */
export const signInFrom = async (request: Request, context: Readonly<RouterContextProvider>) => ({
  address: context.get(addressContext),
  device: await deviceOf(request),
  deviceName: deviceName(request.headers.get("User-Agent")),
});
