interface Room {
  width: number;
  height: number;
}

export interface BigSizes {
  cell: Room;
  gap: number;
  border: number;
  /** Of the line above the sides. */
  head: number;
  text: number;
  /** Of each side's name: those that are long stand in two lines, or are smaller. */
  names: number[];
  points: number;
  small: number;
}

/** A letter or figure is about so wide, taken by its height; the mark beside a name takes so many letters' heights. */
const letter = 0.58;
const figure = 0.62;
const mark = 1.9;

/** The longer one of two lines of a name, cut where that makes it shortest. */
function halved(name: string): number {
  const words = name.split(' ');
  const cut = words.map((_, at) =>
    Math.max(words.slice(0, at).join(' ').length, words.slice(at).join(' ').length),
  );
  return Math.min(...cut);
}

/** The letters of a name in a cell, in one line or in two. */
function nameSize(name: string, { width, height }: Room): number {
  const fits = (letters: number) => (width * 0.88) / (letters * letter + mark);
  return Math.max(Math.min(height * 0.2, fits(name.length)), Math.min(height * 0.13, fits(halved(name))));
}

/** What is in a cell, and how well it is read from afar: names are read from nearer than points. */
function inCell(cell: Room, names: readonly string[], digits: number) {
  const sizes = names.map((name) => nameSize(name, cell));
  const points = Math.min(cell.height * 0.45, (cell.width * 0.86) / (digits * figure));
  return { cell, names: sizes, points, legible: Math.min(points, 2.5 * Math.min(...sizes)) };
}

/**
 * As large as the sides of a game can be in some room, in pixels: of all ways to put them in lines the most legible.
 * @param digits of the largest number of points
 */
export function bigSizes(room: Room, names: readonly string[], digits: number): BigSizes {
  const gap = Math.max(room.width * 0.012, 6);
  const head = Math.max(Math.min(room.height * 0.12, room.width * 0.07), 36);
  const area = room.height - head - gap;
  const ways = names.map((_, at) => {
    const lines = Math.ceil(names.length / (at + 1));
    const cell = {
      width: (room.width - gap * at) / (at + 1) - 0.5,
      height: (area - gap * (lines - 1)) / lines,
    };
    return inCell(cell, names, digits);
  });
  const best = ways.reduce((most, one) => (one.legible > most.legible ? one : most));
  return {
    ...{ cell: best.cell, names: best.names, points: best.points, gap, head },
    border: Math.max(Math.round(room.width / 900), 1),
    text: Math.max(Math.min(head * 0.5, room.width * 0.026), 14),
    small: Math.max(Math.min(best.cell.height * 0.11, 60), 12),
  };
}
