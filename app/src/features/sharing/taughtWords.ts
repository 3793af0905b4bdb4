/** As in `Boat Workshop with Ines Halloran and Bela Roth`. */
export const taughtWords = ({ name, teachers }: { name: string; teachers: readonly string[] }): string =>
  teachers.length > 0 ? `${name} with ${teachers.join(' and ')}` : name;
