/** "1 not read yet, 2 did not go out.": what of the faxes wants to be seen to. */
export function faxesWords(unread: number, failed: number): string {
  const parts = [
    ...(unread > 0 ? [`${unread} not read yet`] : []),
    ...(failed > 0 ? [`${failed} did not go out`] : []),
  ];
  return parts.length === 0 ? 'All are read.' : `${parts.join(', ')}.`;
}
