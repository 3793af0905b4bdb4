import { z } from 'zod';
import { limitsOf } from './budget';
import { changeEvidence, Evidence, levelEvidence, likelySince, patternEvidence } from './evidence';
import { followStreams, type StreamStates } from './followStreams';
import { credibleFrom, levelsCrossed, type LevelCrossed } from './levels';
import { usualLines, type LevelLines } from './usualLines';
import { patternsOf } from './patterns';
import type { Pattern } from './patternTest';
import { concerns, streamNames, type ClassSeries, type Concern, type StreamName } from './streams';
import { partsOf, together, togetherLimit } from './together';
import { alsoWord } from './firstReason';
import { day } from './words';

/** One student in one class with one concern, or merely over a line. */
export const WatchItem = z.object({
  studentId: z.string(),
  sectionId: z.string(),
  concern: z.enum([...concerns, 'over_a_line']),
  since: z.iso.date(),
  /** Orders the list, 0 to 1; never shown as a score of a child. */
  strength: z.number(),
  sentence: z.string(),
  /** Patterns first, then changes, then lines; of a kind the strongest first. */
  evidence: z.array(Evidence),
});
export type WatchItem = z.infer<typeof WatchItem>;

/** What a teacher set for a class. */
export interface WatchSettings {
  streams: ReadonlySet<StreamName>;
  lines: LevelLines;
}

export const usualSettings: WatchSettings = { streams: new Set(streamNames), lines: usualLines };

/**
 * How sure it must be that a share is over a line for that to be a concern by itself: over the highest line
 * that is set, credible; over the second, nearly certain; over lower ones it only makes a concern stronger.
 * Lines are looked at after every lesson, and a student just under one would be over it credibly now and then.
 */
const makesByItself = [credibleFrom, 0.97] as const;

interface Finding {
  strength: number;
  evidence: Evidence;
}

const strengthOfRatio = (ratio: number) => 1 - Math.pow(0.5, ratio);

/** Half strength at the 10 % line, near one at 40 %. */
function strengthOfLevel({ value, line, kind }: LevelCrossed): number {
  return 1 - Math.pow(0.5, kind === 'share' ? value / 0.1 : value / line);
}

function makesConcern({ kind, line, certainty }: LevelCrossed, { shares }: LevelLines): boolean {
  const fromTop = shares.filter((share) => share > line).length;
  const needed = makesByItself[fromTop];
  return kind === 'share' && needed !== undefined && (certainty ?? 0) >= needed;
}

function strengthens({ kind, certainty }: LevelCrossed): boolean {
  return kind === 'share' ? (certainty ?? 0) >= credibleFrom : true;
}

const concernOfPattern = { presence: 'absent', lateness: 'absent', trouble: 'struggling' } as const;

/** How much stronger several findings are than the strongest: as if independent, the weaker ones at half. */
function combined(findings: readonly Finding[]): number {
  const [first = 0, ...others] = findings.map(({ strength }) => strength).sort((a, b) => b - a);
  return 1 - others.reduce((left, strength) => left * (1 - strength / 2), 1 - first);
}

/** A pattern says most, then what changed and since when; a line says only how much. */
const kindOrder = { pattern: 0, change: 1, level: 2 } as const;

interface About {
  series: ClassSeries;
  states: StreamStates;
  levels: readonly LevelCrossed[];
  lines: LevelLines;
  patterns: readonly Pattern[];
  i: number;
}

/** What there is to say for a concern; none of it where nothing of it is enough by itself. */
function findingsFor(concern: Concern, { series, states, levels, lines, patterns, i }: About): Finding[] {
  const parts = partsOf(states, concern, i);
  const changes = parts.filter(({ stream }) => states[stream].standings[i]?.change);
  // Weather speaks for two concerns; alone it makes only the first of them.
  const isWeatherAlone = concern === 'struggling' && changes.every(({ stream }) => stream === 'weather');
  const changed = isWeatherAlone ? [] : changes;
  const adding = together(parts) >= togetherLimit(concern) ? parts : changed;
  const found: Finding[] = (changed.length > 0 ? [...new Set([...changed, ...adding])] : adding).map(
    ({ stream, ratio }) => ({
      strength: strengthOfRatio(ratio),
      evidence: changeEvidence(series, states, stream, i),
    }),
  );
  for (const pattern of patterns)
    if (concernOfPattern[pattern.stream] === concern)
      found.push({
        strength: 0.5 + 0.3 * (pattern.hits / pattern.times),
        evidence: patternEvidence(pattern),
      });
  const own = levels.filter(({ kind }) => (kind === 'missing' ? 'struggling' : 'absent') === concern);
  if (found.length === 0 && !own.some((level) => makesConcern(level, lines))) return [];
  for (const level of own.filter(strengthens))
    found.push({ strength: strengthOfLevel(level), evidence: levelEvidence(series, level, i) });
  return found.sort(
    (a, b) => kindOrder[a.evidence.kind] - kindOrder[b.evidence.kind] || b.strength - a.strength,
  );
}

/** How the rest of the class did meanwhile, in words, where the evidence is a change. */
function classWords({ kind, stream, points, since }: Evidence): string {
  if (kind !== 'change') return '';
  const middle = (side: (date: string) => boolean) => {
    const medians = points.flatMap((p) => (p.classMiddle !== null && side(p.date) ? [p.classMiddle] : []));
    return medians.length === 0 ? null : medians.reduce((sum, value) => sum + value, 0) / medians.length;
  };
  const before = middle((date) => date < since);
  const now = middle((date) => date >= since);
  if (before === null || now === null) return '';
  if (stream === 'presence' || stream === 'lateness' || stream === 'hand_in')
    return now - before < 0.05
      ? ', and the class has not changed'
      : ', beyond what has changed for the whole class';
  const scale: Partial<Record<StreamName, number>> = {
    engagement: 0.4,
    weather: 0.5,
    score: 5,
    online: Math.max(1, before * 0.35),
  };
  const most = scale[stream] ?? Math.max(0.3, before * 0.4);
  if (Math.abs(now - before) < most) return ', and the class has not changed';
  return ', beyond what has changed for the whole class';
}

function sentenceOf(name: string, evidence: readonly Evidence[]): string {
  const [first, ...others] = evidence;
  if (!first) return '';
  const opening = first.kind === 'change' ? `Since ${day(first.since)} ${name} ` : `${name} `;
  const main = `${opening}${first.words}${classWords(first)}.`;
  const more = others.map(({ words }) => `${alsoWord} ${words}.`);
  return [main, ...more.slice(0, 2)].join(' ');
}

/**
 * When a concern began: with the strongest change, else with what it rests on. A share is over its line only
 * long after that began which brought it there, so where a change of it is likely, that is the date.
 */
function sinceOf({ series, states, i }: About, evidence: readonly Evidence[]): string {
  const first = evidence.find(({ kind }) => kind === 'change') ?? evidence[0];
  const likely = first?.kind === 'level' ? likelySince(series, states, first.stream, i) : null;
  return likely ?? first?.since ?? '';
}

const rounded = (strength: number) => Math.round(strength * 10000) / 10000;

function itemOf(
  about: About,
  student: { id: string; name: string },
  concern: WatchItem['concern'],
  findings: readonly Finding[],
): WatchItem {
  const evidence = findings.map((finding) => finding.evidence);
  return {
    studentId: student.id,
    sectionId: about.series.sectionId,
    concern,
    since: concern === 'over_a_line' ? (evidence[0]?.since ?? '') : sinceOf(about, evidence),
    strength: rounded(combined(findings)),
    sentence: sentenceOf(student.name, evidence),
    evidence,
  };
}

function itemsOf(about: About): WatchItem[] {
  const { series, levels, i } = about;
  const student = series.students[i];
  if (!student) return [];
  const items = concerns.flatMap((concern) => {
    const findings = findingsFor(concern, about);
    return findings.length === 0 ? [] : [itemOf(about, student, concern, findings)];
  });
  const said = new Set(
    items.flatMap(({ evidence }) => evidence.map(({ kind, stream }) => `${kind} ${stream}`)),
  );
  const facts = levels
    .filter(({ kind }) => !said.has(`level ${kind === 'missing' ? 'hand_in' : 'presence'}`))
    .map((level) => ({ strength: strengthOfLevel(level) / 2, evidence: levelEvidence(series, level, i) }));
  return facts.length === 0 ? items : [...items, itemOf(about, student, 'over_a_line', facts)];
}

/** A class with only the streams that its teacher watches. */
export function watchedSeries(series: ClassSeries, streams: ReadonlySet<StreamName>): ClassSeries {
  const kept = streamNames.map((name) => [name, streams.has(name) ? series.streams[name] : []]);
  return { ...series, streams: Object.fromEntries(kept) as ClassSeries['streams'] };
}

/** Streams that a class has any of. */
export function streamsSeen(series: ClassSeries): Set<StreamName> {
  return new Set(streamNames.filter((stream) => series.streams[stream].length > 0));
}

/** A class's streams as they stand in the end. */
export function statesOf(series: ClassSeries): StreamStates {
  return followStreams(series, { limitOf: limitsOf(streamsSeen(series)) });
}

/**
 * Who in a class needs the teacher, strongest first: what really changed or is really high, with its proof;
 * then who is merely over a line.
 * @param known where its watched streams stand, if that has been found out already
 */
export function watchClass(
  whole: ClassSeries,
  settings: WatchSettings = usualSettings,
  known: StreamStates | null = null,
): WatchItem[] {
  const series = watchedSeries(whole, settings.streams);
  const states = known ?? statesOf(series);
  const levels = levelsCrossed(series, settings.lines);
  const patterns = patternsOf(series);
  const items = series.students.flatMap(({ id, active }, i) => {
    if (!active) return [];
    const own = patterns.filter(({ studentId }) => studentId === id);
    return itemsOf({ series, states, levels: levels[i] ?? [], lines: settings.lines, patterns: own, i });
  });
  return items.sort((a, b) => b.strength - a.strength || (a.studentId < b.studentId ? -1 : 1));
}
