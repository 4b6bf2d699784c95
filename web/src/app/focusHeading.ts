/** The first heading inside, which names what is read there. */
export function headingIn(element: Element): HTMLElement | null {
  return element.querySelector<HTMLElement>('h1, h2, h3');
}

/** Puts the focus on a heading, where reading and the Tab key go on, without moving the page. */
export function focusHeading(heading: HTMLElement): void {
  if (!heading.hasAttribute('tabindex')) heading.tabIndex = -1;
  heading.focus({ preventScroll: true });
}
