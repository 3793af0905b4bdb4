/** The same person of a list: by address, else by the name as written. */
export function personKey({
  email,
  name,
  schoolId,
}: {
  email: string;
  name: string;
  schoolId: string;
}): string {
  return email || schoolId || name.toLowerCase().replace(/\s+/g, ' ');
}
