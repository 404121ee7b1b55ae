import ipaddr from 'ipaddr.js';

/**
 * Whether an IP address (v4 or v6, as text) is one of the public network. Loopback, link-local, private (RFC 1918, RFC
 * 4193), carrier-grade, multicast and reserved ones are not; a v4 address written inside v6 counts as itself.
 */
export function isPublicAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  return ipaddr.process(address).range() === 'unicast';
}
