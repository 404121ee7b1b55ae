/** An office at the other end of a channel (a worker's, another tab's, a socket's) that may lose, repeat and delay. */
export { ChannelHost } from './ChannelHost';
export { ChannelLink } from './ChannelLink';
export { type Port, type Timer } from './protocol';
