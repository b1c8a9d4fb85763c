/** What this device does beside its screens: keeps the app and the core for a day without signal, and sends what waits. */
import { storeLeft } from "./ahead";
import { startCore } from "./core";
import { keepApp } from "./keepApp";
import { takeOver } from "./old";
import { beginTaking, takeAlong } from "./route";
import { beginSending, sendSoon } from "./sync";

let begun: Promise<void> | undefined;

async function once(): Promise<void> {
  await storeLeft();
  await takeOver();
  beginSending();
  keepApp();
  beginTaking();
}

/** Begin, or go on after somebody signed in. */
export async function begin(): Promise<void> {
  await (begun ??= once());
  sendSoon();
  takeAlong();
  // The screen comes first: the core takes seconds of this device's time.
  window.setTimeout(startCore, 1500);
}
