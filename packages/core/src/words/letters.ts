/** A text that begins a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A text within a sentence; the names of wires and lugs (R, Y/G, HERM) stay as they are. */
export const lowered = (text: string): string =>
  /^[A-Z](?:[A-Z]|\/?(?: |$))/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);
