import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { View } from 'react-native';
import type { Section } from '@slate-path/core/records/schema';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { makeChange } from '../../../sync/outbox';
import { modeNames, modesOf, type LessonMode } from '../../attendance/lesson/ModeBar';

const about: Record<LessonMode, string> = {
  roll: 'Who is here',
  tally: 'What is seen, counted',
  sweep: 'How engaged everyone is',
  circle: 'A discussion around a ring',
  turns: 'Whose turn it is, drawn fairly',
  nods: 'Who did well, and for what',
  ticks: 'Slips, fees and homework as they come in',
  sides: 'A game of two to eight teams, also on the big screen',
  tone: 'How the whole class is, as one sign',
  watch: 'One to four students: how often, how long, in how many intervals',
};

/** Which tabs the lessons of a class have, and in which order. The first one opens. */
export function LessonModesSheet({ section, onClose }: { section: Section; onClose: () => void }) {
  const chosen = modesOf(section);
  const others = (Object.keys(modeNames) as LessonMode[]).filter((mode) => !chosen.includes(mode));
  const choose = (lessonModes: LessonMode[]) => {
    makeChange('section.lessonModes', { id: section.id, lessonModes }, section.id);
  };
  const move = (mode: LessonMode, by: 1 | -1) => {
    const at = chosen.indexOf(mode);
    choose(chosen.with(at, chosen[at + by] ?? mode).with(at + by, mode));
  };
  return (
    <Sheet
      title="What a lesson has"
      note="The first one opens. What is left out keeps what was recorded with it."
      onClose={onClose}
    >
      <View>
        {[...chosen, ...others].map((mode) => {
          const at = chosen.indexOf(mode);
          const last = at === 0 && chosen.length === 1;
          return (
            <View key={mode} style={{ flexDirection: 'row', alignItems: 'center' }}>
              <View style={{ flex: 1 }}>
                <TickRow
                  name={modeNames[mode]}
                  ticked={at >= 0}
                  onChange={(ticked) => {
                    if (ticked) choose([...chosen, mode]);
                    else if (!last) choose(chosen.filter((one) => one !== mode));
                  }}
                >
                  <Words bold>{modeNames[mode]}</Words>
                  <Words size="small" tone="inkQuiet">
                    {last ? 'A lesson has at least one' : about[mode]}
                  </Words>
                </TickRow>
              </View>
              {at >= 0 ? (
                <>
                  <IconAction
                    name={`${modeNames[mode]} earlier`}
                    icon={ArrowUp}
                    disabled={at === 0}
                    onPress={() => {
                      move(mode, -1);
                    }}
                  />
                  <IconAction
                    name={`${modeNames[mode]} later`}
                    icon={ArrowDown}
                    disabled={at === chosen.length - 1}
                    onPress={() => {
                      move(mode, 1);
                    }}
                  />
                </>
              ) : null}
            </View>
          );
        })}
      </View>
    </Sheet>
  );
}
