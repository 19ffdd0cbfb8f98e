import proxyAddr from "proxy-addr";

/**
 * Who sends a request, as far as it can be believed. `trusted` names the proxies in front (IVY_TRUSTED_PROXIES: addresses,
 * networks, or loopback, linklocal, uniquelocal, apart by commas); without any, what a sender says of itself counts for nothing.
 * Throws where it names no address.
 */
export function peerReader(trusted = "") {
  const names = trusted
    .split(",")
    .map((name) => name.trim())
    .filter(Boolean);
  const trust = proxyAddr.compile(names);
  return (request) => proxyAddr(request, trust);
}

/** The request with the sender's address as its only one: whatever reads it later has nothing else to believe. */
export function namePeer(request, readPeer) {
  const address = readPeer(request) ?? "";
  for (const name of ["x-real-ip", "forwarded", "x-client-ip", "cf-connecting-ip"]) delete request.headers[name];
  request.headers["x-forwarded-for"] = address;
}
