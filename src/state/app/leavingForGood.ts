/**
 * Goes to the page that takes out all that is kept here: outside the app, so that nothing of it runs meanwhile. It does so only for a tab
 * that was asked to: a link from elsewhere takes nothing.
 */
export function leaveForGood(): void {
  sessionStorage.setItem('cendro/wiping', 'yes');
  window.location.assign('/left.html');
}
