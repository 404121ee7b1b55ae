import type { Backend } from '@/state/storage';

/** What keeps an office's texts for as long as it runs here. */
export type OfficeBackend = Required<Backend> & { close: () => Promise<void> };
