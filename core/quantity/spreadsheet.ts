/** Cells that a spreadsheet would take for a formula are marked with a leading apostrophe; numbers below zero are not. */
export const FORMULA = /^(?:[=+@\t\r]|-(?![\d.]))/;

/** A cell without the apostrophe that marks it as no formula. */
export const unmarked = (text: string): string => (text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text);
