import Users from 'lucide-react-native/icons/users';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { seatInTurn } from '@slate-path/core/observation/circle/seating';
import { listOf } from '@slate-path/core/records/records';
import type { Circle, Lesson } from '@slate-path/core/records/schema';
import { lookForsOf } from '@slate-path/core/observation/tallies/lookFors';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { choiceLook } from '../../../parts/choiceLook';
import { Field } from '../../../parts/Field';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { Typing } from '../../../parts/Typing';
import { forgetTyped } from '../../../parts/typed';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { useFocus } from '../tallies/useFocus';
import { beginCircle, membersOf, sharesOf } from './circles';
import { goalWords } from './goalWords';

interface CircleSetUpProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  /** The class's last circle, which the next one starts from. */
  last: Circle | undefined;
  onBegun: () => void;
}

interface WhoChoice {
  value: string;
  label: string;
  studentIds: string[];
  groupName: string;
}

/** Ways to say who is in it; only those who are here. */
function useChoices({ lesson, rows, last }: Pick<CircleSetUpProps, 'lesson' | 'rows' | 'last'>): WhoChoice[] {
  const current = useRecords((state) => state.current);
  return useMemo(() => {
    const here = rows.filter((row) => !isAway(row)).map(({ student }) => student.id);
    const isHere = new Set(here);
    const half = Math.ceil(here.length / 2);
    const choice = (value: string, label: string, ids: readonly string[], groupName = label): WhoChoice => ({
      value,
      label,
      studentIds: ids.filter((id) => isHere.has(id)),
      groupName,
    });
    const lastIds = last ? membersOf(current, last.id).map(({ studentId }) => studentId) : [];
    const groups = listOf(current, 'studentGroup').filter((group) => group.sectionId === lesson.sectionId);
    const enrolments = listOf(current, 'enrolment').filter((e) => e.sectionId === lesson.sectionId);
    const cohorts = [...new Set(enrolments.map(({ cohort }) => cohort).filter(Boolean))].sort();
    return [
      ...(last ? [choice('last', 'As last time', lastIds, last.groupName)] : []),
      ...(last
        ? [
            choice(
              'others',
              'The others',
              here.filter((id) => !lastIds.includes(id)),
            ),
          ]
        : []),
      ...groups.map((group) => choice(group.id, group.name, group.studentIds)),
      ...cohorts.map((cohort) =>
        choice(
          `cohort ${cohort}`,
          cohort,
          enrolments.filter((e) => e.cohort === cohort).map(({ studentId }) => studentId),
        ),
      ),
      choice('here', 'All here', here),
      choice('first', 'First half', here.slice(0, half)),
      choice('second', 'Second half', here.slice(half)),
    ].filter(({ studentIds }) => studentIds.length > 0);
  }, [current, lesson.sectionId, rows, last]);
}

/** Before a circle: who is in it, what to look for, and how they sit. */
export function CircleSetUp({ lesson, rows, last, onBegun }: CircleSetUpProps) {
  const palette = usePalette();
  const wide = useWide();
  const current = useRecords((state) => state.current);
  const names = useShownNames(rows);
  const choices = useChoices({ lesson, rows, last });
  const { focuses, focus, choose } = useFocus(lesson);
  const [who, setWho] = useState<string | null>(null);
  const chosen = choices.find(({ value }) => value === who) ?? choices[0];
  // Until somebody is put in or taken out it is whoever was chosen: the last circle may still be on its way here.
  const [changed, setChanged] = useState<ReadonlySet<string> | null>(null);
  const inside = changed ?? new Set(chosen?.studentIds);
  const [seating, setSeating] = useState<'list' | 'turn'>('list');
  const [groupName, setGroupName] = useState('');
  const lastShares = last ? sharesOf(last, current).members : [];
  const spoken = new Map(lastShares.map(({ studentId, spoken: times }) => [studentId, times]));
  const goals = new Map(
    (last ? membersOf(current, last.id) : []).map((member) => [member.studentId, member]),
  );
  const lookFors = lookForsOf(focus, current.lookFor);
  const studentIds = (chosen?.studentIds ?? [])
    .filter((id) => inside.has(id))
    .concat(
      rows
        .map(({ student }) => student.id)
        .filter((id) => inside.has(id) && !chosen?.studentIds.includes(id)),
    );
  const begin = () => {
    const seated = seating === 'turn' ? seatInTurn(studentIds, spoken) : studentIds;
    beginCircle(lesson, {
      studentIds: seated,
      lookForIds: lookFors.map(({ id }) => id),
      groupName: chosen?.groupName ?? '',
      goals,
    });
    onBegun();
  };
  const saveGroup = () => {
    const fields = { id: newId(), sectionId: lesson.sectionId, name: groupName.trim(), studentIds };
    makeChange('group.set', fields, lesson.sectionId);
    setGroupName('');
    forgetTyped('group new');
    setWho(fields.id);
    setChanged(null);
  };
  const group = chosen ? current.studentGroup[chosen.value] : undefined;
  const forgetGroup = () => {
    if (group)
      makeChange(
        'group.remove',
        { id: group.id, sectionId: lesson.sectionId, removed: true },
        lesson.sectionId,
      );
    setWho(null);
    setChanged(null);
  };
  const toggle = (id: string) => {
    const next = new Set(inside);
    if (!next.delete(id)) next.add(id);
    setChanged(next);
  };
  const withGoals = studentIds.filter((id) => goals.get(id)?.nextLookForId);
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{ padding: space(4), gap: space(4), maxWidth: 1120 }}
    >
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'stretch' }}>
        <Card style={{ gap: space(3), flex: wide ? 3 : undefined }}>
          <Words size="large" serif heading={2}>
            Who is in the circle
          </Words>
          {last ? null : (
            <Words tone="inkQuiet">
              A circle is a discussion. You tap whoever speaks, then what it was, and see who has not been
              heard.
            </Words>
          )}
          <Choice
            name="Who is in it"
            value={chosen?.value ?? ''}
            options={choices.map(({ value, label, studentIds: ids }) => ({
              value,
              label: `${label} (${ids.length})`,
            }))}
            onChange={(value) => {
              setWho(value);
              setChanged(null);
            }}
          />
          <View
            role="group"
            aria-label="Students"
            style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}
          >
            {rows.map((row) => {
              const { student } = row;
              const isIn = inside.has(student.id);
              const name = names.get(student.id) ?? '';
              return isAway(row) ? null : (
                <TapArea
                  key={student.id}
                  name={`${name}: ${isIn ? 'in the circle' : 'not in it'}`}
                  held={isIn}
                  onTap={() => {
                    toggle(student.id);
                  }}
                  style={choiceLook(palette, isIn)}
                >
                  <Words bold={isIn} tone={isIn ? 'ink' : 'inkQuiet'}>
                    {name}
                  </Words>
                </TapArea>
              );
            })}
          </View>
          <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(2) }}>
            <Typing about="group new">
              <Field
                label="Keep these as a group"
                value={groupName}
                onChange={setGroupName}
                placeholder="Tide pool group"
              />
            </Typing>
            <Action
              label="Keep"
              name="Keep the group"
              icon={Users}
              disabled={groupName.trim() === '' || studentIds.length === 0}
              onPress={saveGroup}
            />
          </View>
          {group ? <Action label={`Forget the group “${group.name}”`} onPress={forgetGroup} /> : null}
        </Card>
        <Card style={{ gap: space(3), flex: wide ? 2 : undefined }}>
          <Words size="large" serif heading={2}>
            What to look for
          </Words>
          <Choice
            name="Set"
            value={focus?.id ?? ''}
            options={focuses.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={choose}
          />
          <Words tone="inkQuiet">{lookFors.map(({ name }) => name).join(' · ')}</Words>
          <Choice
            name="Seats"
            value={seating}
            options={[
              { value: 'list', label: 'In the order above' },
              { value: 'turn', label: 'Quiet beside talkative' },
            ]}
            onChange={setSeating}
          />
          {withGoals.length > 0 ? (
            <View>
              <Words bold>Goals from last time</Words>
              {withGoals.map((id) => (
                <Words key={id} size="small" tone="inkQuiet">
                  {`${names.get(id) ?? ''}: ${goalWords(goals.get(id)?.nextLookForId ?? null, goals.get(id)?.nextCount ?? null, current.lookFor)}`}
                </Words>
              ))}
            </View>
          ) : null}
          <Action
            label={`Begin with ${studentIds.length}`}
            kind="main"
            disabled={studentIds.length < 2 || studentIds.length > 40 || lookFors.length === 0}
            onPress={begin}
          />
          {studentIds.length < 2 ? (
            <Words size="small" tone="inkQuiet">
              A circle has at least two.
            </Words>
          ) : null}
        </Card>
      </View>
    </ScrollView>
  );
}
