const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text that cannot be taken for a tag, nor end an attribute between double quotes. */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => escapes[sign] ?? sign);
