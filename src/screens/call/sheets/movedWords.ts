/** What is true once a call has been moved to a phone: "The desk phone rings. Take it up there, and the call is there." */
export const movedWords = (deviceName: string) =>
  `The ${deviceName.charAt(0).toLowerCase()}${deviceName.slice(1)} rings. Take it up there, and the call is there.`;
