import { useState } from 'react';
import { View } from 'react-native';
import { mostMembers } from '@slate-path/core/observation/circle/seating';
import { displayName } from '@slate-path/core/people/names';
import type { Circle, CircleMember } from '@slate-path/core/records/schema';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useRecords } from '../../../sync/useRecords';
import { joinCircle } from './circles';

interface JoinSheetProps {
  circle: Circle;
  members: readonly CircleMember[];
  rows: readonly LessonRow[];
  onClose: () => void;
}

/** Who is here and not in the circle; a tap brings one in. Nobody moves up meanwhile, under the next tap. */
export function JoinSheet({ circle, members, rows, onClose }: JoinSheetProps) {
  const palette = usePalette();
  const inside = new Set(members.map(({ studentId }) => studentId));
  const [outside] = useState(() => rows.filter((row) => !isAway(row) && !inside.has(row.student.id)));
  const full = members.length >= mostMembers;
  const look = {
    minHeight: target,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingVertical: space(2),
    borderBottomWidth: 1,
    borderColor: palette.line,
  } as const;
  return (
    <Sheet title="Bring in" note="Sits down last; Take back lets go again" onClose={onClose}>
      {full ? <Words>{`A circle has at most ${mostMembers}.`}</Words> : null}
      {outside.length === 0 ? <Words>Everybody who is here sits in it.</Words> : null}
      <View role="group" aria-label="Not in the circle">
        {outside.map(({ student }) =>
          inside.has(student.id) || full ? (
            <View key={student.id} style={look}>
              <Words tone="inkQuiet">{displayName(student)}</Words>
              {inside.has(student.id) ? (
                <Words size="small" tone="inkQuiet" live>
                  sits in it
                </Words>
              ) : null}
            </View>
          ) : (
            <TapArea
              key={student.id}
              name={`Bring in ${displayName(student)}`}
              onTap={() => {
                joinCircle(circle, student.id, useRecords.getState().current);
              }}
              style={look}
            >
              <Words>{displayName(student)}</Words>
            </TapArea>
          ),
        )}
      </View>
    </Sheet>
  );
}
