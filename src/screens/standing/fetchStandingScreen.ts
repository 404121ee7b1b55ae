/** Apart from the screen itself, which does not belong to the start. */
export const fetchStandingScreen = async () => (await import('../plan/deciding')).StandingScreen;
