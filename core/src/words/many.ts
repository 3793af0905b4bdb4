/** A number with its noun: "1 lesson", "7 lessons", "1 copy" of "copies". */
export function many(count: number, one: string, several = `${one}s`): string {
  return `${count} ${count === 1 ? one : several}`;
}
