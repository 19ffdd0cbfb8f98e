import "server-only";
import pino from "pino";

/** One line of JSON an event. No name, note or address of a person goes in here. */
export const log = pino({ level: process.env.IVY_LOG ?? "info", base: { app: "ivy-thread" } });
