/** Apart from the screen itself, which does not belong to the start. */
export const fetchOfficeScreen = async () => (await import('./OfficeScreen')).OfficeScreen;
