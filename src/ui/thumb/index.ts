/** What keeps a slip of the thumb from doing anything. */
export { seeingMs, slipMs, ThumbGuard } from './thumbGuard';
