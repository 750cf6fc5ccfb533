/** Puts the focus on the part of the page that is worked in, at its top, so that what is read and tabbed to next is the work itself. */
export function focusMain(): void {
  const main = document.querySelector<HTMLElement>('main');
  if (!main) return;
  main.tabIndex = -1;
  main.focus();
}
