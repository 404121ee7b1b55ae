import type { Backend } from '@/state/storage';

/** Beyond all that begins so, in the order of UTF-8. */
export const afterAll = '\u{10ffff}';

/** What keeps an office's texts for as long as it runs here. */
export type OfficeBackend = Required<Backend> & { close: () => Promise<void> };
