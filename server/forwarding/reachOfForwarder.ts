import ipaddr from 'ipaddr.js';

import type { Reach } from './protocol';

/**
 * Where browsers reach what forwards, as the settings of the process say.
 * @param addresses those of this machine that it does not know itself, with commas between
 * @param ports the first and the last UDP port: `40000-40100`
 * Throws where one of them can’t be read.
 */
export function reachOfForwarder(addresses = '', ports = ''): Reach {
  const listed = addresses.split(',').flatMap((each) => each.trim() || []);
  const wrong = listed.find((address) => !ipaddr.isValid(address));
  if (wrong !== undefined) throw new Error(`CENDRO_FORWARD_ADDRESSES: “${wrong}” is no address.`);
  if (ports === '') return { addresses: listed, ports: null };
  const [first, last] = /^(\d{4,5})-(\d{4,5})$/.exec(ports)?.slice(1).map(Number) ?? [];
  if (first === undefined || last === undefined || first >= last || last > 65_535)
    throw new Error(`CENDRO_FORWARD_PORTS: “${ports}” is not two ports, such as 40000-40100.`);
  return { addresses: listed, ports: [first, last] };
}
