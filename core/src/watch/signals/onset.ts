/** Observations, oldest first: the lessons held before each, and its log likelihood ratio. */
export interface Scored {
  lessons: ArrayLike<number>;
  scores: ArrayLike<number>;
}

/** A date within so many lessons of the truth is as good as the truth. */
const near = 3;
/** Of dates that are nearly as good as the best, the likeliest is told. */
const nearlyAsGood = 0.98;
/**
 * A change goes unnoticed for about so many lessons, so one that is noticed only now hardly began long ago. On
 * simulated terms (seeds of their own) 20 to 33 date alike, none at all worse by two to five in a hundred.
 */
const unnoticedFor = 25;

/**
 * With which lesson a change began: one that most probably lies within three lessons of the truth, given that
 * nobody had noticed it before. The last zero of the evidence would be the likeliest lesson, but an odd
 * lesson shortly before a change draws it away; the weight of all of them around does not move so easily.
 * @param now lessons held when the change is noticed
 * @returns lessons held before it began
 * Source: the posterior of Smith (1975), Biometrika 62, 407-416, with a loss that is nought within a window.
 */
export function onsetOf(recent: Scored, now: number): number {
  const first = recent.lessons[0] ?? now;
  const chances = chancesOf(recent, first, now);
  const within = chances.map((_, at) =>
    chances.slice(Math.max(0, at - near), at + near + 1).reduce((sum, chance) => sum + chance, 0),
  );
  const enough = Math.max(...within) * nearlyAsGood;
  let onset = -1;
  chances.forEach((chance, at) => {
    if ((within[at] ?? 0) >= enough && chance > (chances[onset] ?? 0)) onset = at;
  });
  return first + Math.max(0, onset);
}

/** How likely the change began with each lesson, up to a factor that all have in common. */
function chancesOf({ lessons, scores }: Scored, first: number, now: number): Float64Array {
  const sums = new Float64Array(now - first + 1);
  let sum = 0;
  let at = lessons.length - 1;
  for (let lesson = now; lesson >= first; lesson -= 1) {
    for (; at >= 0 && (lessons[at] ?? 0) >= lesson; at -= 1) sum += scores[at] ?? 0;
    sums[lesson - first] = sum - (now - lesson) / unnoticedFor;
  }
  const highest = Math.max(...sums);
  return sums.map((one) => Math.exp(one - highest));
}
