/** An office at the other end of a channel (a worker's, another tab's, a socket's) that may lose, repeat and delay. */
export { batched, unbatched } from './batching';
export { broadcastPort } from './broadcastPort';
export { ChannelHost } from './ChannelHost';
export { ChannelLink, type Unanswered } from './ChannelLink';
export { toHostSchema, type Asked, type Port, type Timer, type ToApp } from './protocol';
export { rowsWith } from './tableParts';
