import type { IncomingMessage } from "node:http";
type Asked = Pick<IncomingMessage, "headers"> & { socket: { remoteAddress?: string | undefined } };
export function peerReader(trusted?: string): (request: Asked) => string | undefined;
export function namePeer(request: Asked, readPeer: (request: Asked) => string | undefined): void;
