const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text that cannot be taken for a tag, nor end an attribute between double quotes. */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => escapes[sign] ?? sign);

const signs = new Map(Object.entries(escapes).map(([sign, as]) => [as, sign]));

/** The text that `escaped` was given. */
export const unescapedHtml = (html: string): string =>
  html.replace(/&(?:amp|lt|gt|quot);/g, (as) => signs.get(as) ?? as);
