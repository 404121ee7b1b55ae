/** What is true once a call has been moved to a phone: "The desk phone rings. Answer it, and the call moves there." */
export const movedWords = (deviceName: string) =>
  `The ${deviceName.charAt(0).toLowerCase()}${deviceName.slice(1)} rings. Answer it, and the call moves there.`;
