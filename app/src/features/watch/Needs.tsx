import { View } from 'react-native';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useRecords } from '../../sync/useRecords';

/** From so many lessons on a usual is known well enough to see a change of it. */
const enough = 15;

/** A class in which too little was held to know what is usual. */
export const isYoung = ({ needs }: SectionWatch) => needs.lessonsTaken < enough;

function needsWords({ lessonsTaken, lessonsObserved, lessonsSwept }: SectionWatch['needs']): string {
  const lacks = [
    lessonsTaken < enough ? `${lessonsTaken} of ${enough} lessons with a roll` : '',
    lessonsObserved < enough ? `${lessonsObserved} of ${enough} lessons with tallies` : '',
    lessonsSwept < enough ? `${lessonsSwept} of ${enough} lessons with a sweep` : '',
  ].filter(Boolean);
  return lacks.join(', ');
}

/** What the list still needs before it can tell, class by class. */
export function Needs({ sections }: { sections: readonly SectionWatch[] }) {
  const names = useRecords((state) => state.current.section);
  const lines = sections.flatMap(({ sectionId, needs }) => {
    const words = needsWords(needs);
    const name = names[sectionId]?.name;
    return words && name ? [{ sectionId, words: `${name}: ${words}` }] : [];
  });
  if (lines.length === 0) return null;
  return (
    <View style={{ gap: space(1) }}>
      <Words bold heading={2}>
        What it still needs
      </Words>
      <Words tone="inkQuiet">A change shows once the usual is known. So far there are:</Words>
      {lines.map(({ sectionId, words }) => (
        <Words key={sectionId} tone="inkQuiet">
          {words}
        </Words>
      ))}
    </View>
  );
}
