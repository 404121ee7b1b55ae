/** Apart from the screen itself, which does not belong to the start. */
export const fetchPlanScreen = async () => (await import('./deciding')).PlanScreen;
