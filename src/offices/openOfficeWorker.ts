/** The worker that hosts an office; which one it is told first of all. */
export const openOfficeWorker = (): Worker => new Worker(new URL('./office.worker', window.location.href));
