/** How large the pictures of others are looked at here; apart from the voices by which that is said. */
export { PictureLooks, type Look, type Looks } from './PictureLooks';
