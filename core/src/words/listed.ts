/** "Mon", "Mon and Wed", "Mon, Wed and Fri"; empty for none. */
export function listed(parts: readonly string[]): string {
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;
}
