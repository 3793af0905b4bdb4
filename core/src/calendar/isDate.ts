const shape = /^\d{4}-\d{2}-\d{2}$/;

/** Is a text a date as they are kept (2026-11-23), as against one that is still being typed? */
export const isDate = (text: string) => shape.test(text);
