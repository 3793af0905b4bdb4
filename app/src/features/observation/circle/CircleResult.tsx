import ClipboardCopy from 'lucide-react-native/icons/clipboard-copy';
import Download from 'lucide-react-native/icons/download';
import Scissors from 'lucide-react-native/icons/scissors';
import Printer from 'lucide-react-native/icons/printer';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { feedbackOf } from '@slate-path/core/observation/circle/circleTable';
import { evennessWords } from '@slate-path/core/observation/circle/gini';
import type { MemberShare } from '@slate-path/core/observation/circle/shares';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { Circle, CircleMember, LookFor } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';
import { usePaperSize } from '../../../files/paperSize';
import { FileAction } from '../../../files/FileAction';
import { copyText } from '../../../files/give';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { FeedbackSheet } from './FeedbackSheet';
import { goalWords } from './goalWords';
import { goOn, membersOf, movesOf, sharesOf } from './circles';
import { ShareRibbon } from './ShareRibbon';

interface CircleResultProps {
  circle: Circle;
  /** Begins the next one from this. */
  onAnother: () => void;
}

const timesWords = (count: number) => (count === 1 ? 'once' : `${count} times`);

/** One student's line: how often, which moves, the goal, and what is given back. */
function MemberLine({
  member,
  share,
  name,
  feedback,
  lookFors,
  onOpen,
}: {
  member: CircleMember;
  share: MemberShare | undefined;
  name: string;
  feedback: string;
  lookFors: Readonly<Record<string, LookFor>>;
  onOpen: () => void;
}) {
  const palette = usePalette();
  const moves = (unwanted: boolean) =>
    (share?.moves ?? [])
      .filter(({ lookForId }) => (lookFors[lookForId]?.tone === 'unwanted') === unwanted)
      .map(({ lookForId, count }) => `${lookFors[lookForId]?.name.toLowerCase() ?? ''} ${count}`)
      .join(', ');
  const goal = share?.goal;
  const spoken = share?.spoken ?? 0;
  return (
    <TapArea
      testID="circle-line"
      name={`${name}: spoke ${timesWords(spoken)}. ${feedback} Tap to edit the feedback and set the next goal`}
      onTap={onOpen}
      style={{
        paddingVertical: space(3),
        paddingHorizontal: space(4),
        borderBottomWidth: 1,
        borderColor: palette.line,
        gap: 2,
      }}
    >
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <View style={{ flex: 1 }}>
          <Words size="name" bold>
            {name}
          </Words>
        </View>
        <Words figures>
          {spoken === 0 ? 'not heard' : `${spoken} · ${Math.round((share?.share ?? 0) * 100)} %`}
        </Words>
      </View>
      {moves(false) ? (
        <Words size="small" tone="lichen">
          {moves(false)}
        </Words>
      ) : null}
      {moves(true) ? <Words size="small" tone="clay">{`unhelpful: ${moves(true)}`}</Words> : null}
      {goal ? (
        <Words size="small">
          {`Goal ${goalWords(goal.lookForId, goal.wanted, lookFors)}: ${goal.reached ? 'reached' : `not reached, ${goal.count} of ${goal.wanted}`}`}
        </Words>
      ) : null}
      <Words tone="inkQuiet">{feedback}</Words>
      {member.nextLookForId ? (
        <Words size="small">{`Next time: ${goalWords(member.nextLookForId, member.nextCount, lookFors)}`}</Words>
      ) : null}
    </TapArea>
  );
}

/** After a circle: a line for each to give feedback from, and the goals for the next one. */
export function CircleResult({ circle, onAnother }: CircleResultProps) {
  const palette = usePalette();
  const wide = useWide();
  const current = useRecords((state) => state.current);
  const [openId, setOpenId] = useState<string | null>(null);
  const [told, setTold] = useState('');
  const shares = sharesOf(circle, current);
  const lines = membersOf(current, circle.id).flatMap((member) => {
    const student = current.student[member.studentId];
    if (!student) return [];
    const line = { member, name: displayName(student), calledName: shortName(student) };
    const share = shares.members.find(({ studentId }) => studentId === member.studentId);
    return [{ ...line, share, feedback: feedbackOf(line, shares, current.lookFor) }];
  });
  const open = lines.find(({ member }) => member.studentId === openId);
  const paper = usePaperSize();
  const file = (format: FileFormat) => addressOf('circleFile', { circleId: circle.id, format, paper });
  const names = new Map(lines.map(({ member, calledName }) => [member.studentId, calledName]));
  const half = Math.ceil(lines.length / 2);
  const columns = wide ? [lines.slice(0, half), lines.slice(half)] : [lines];
  return (
    <>
      <ScrollView
        style={{ flex: 1, backgroundColor: palette.ground }}
        contentContainerStyle={{ padding: space(4), gap: space(4), maxWidth: 1120 }}
      >
        <View style={{ gap: space(1) }}>
          <Words size="large" serif heading={2}>
            {`${circle.groupName || 'Circle'}: spoken ${timesWords(shares.spoken)}`}
          </Words>
          <ShareRibbon shares={shares.members} names={names} />
          <Words tone="inkQuiet" figures>
            {`${evennessWords(shares.members.map(({ spoken }) => spoken))} (Gini ${shares.gini.toFixed(2)}: 0 is all the same, ${((shares.members.length - 1) / Math.max(shares.members.length, 1)).toFixed(2)} one voice)`}
          </Words>
          {shares.unheard.length > 0 ? (
            <Words>{`Not heard: ${shares.unheard.map((id) => names.get(id) ?? '').join(', ')}`}</Words>
          ) : null}
        </View>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="Next circle"
            kind="main"
            name="Begin the next circle from this one"
            onPress={onAnother}
          />
          <Action
            label="Go on"
            name="Go on with this circle"
            onPress={() => {
              goOn(circle.id);
            }}
          />
          <Action
            label="Copy"
            name="Copy the feedback"
            icon={ClipboardCopy}
            onPress={() => {
              const text = lines.map(({ name, feedback }) => `${name}\t${feedback}`).join('\n');
              void copyText(text, 'The feedback').then(setTold);
            }}
          />
          <FileAction label="CSV" name="Save the circle as CSV" icon={Download} address={file('csv')} />
          <FileAction label="XLSX" name="Save the circle as XLSX" icon={Download} address={file('xlsx')} />
          <FileAction
            label="Slips"
            name="Slips: feedback to be cut apart, four to a sheet (PDF)"
            icon={Scissors}
            address={file('pdf')}
          />
          <FileAction label="Print" icon={Printer} address={file('html')} print />
          <TakeBack about={circle.id} />
        </View>
        {told ? <Words live>{told}</Words> : null}
        <Card style={{ padding: 0, flexDirection: 'row' }}>
          {columns.map((column, index) => (
            <View key={index} style={{ flex: 1, borderLeftWidth: index, borderColor: palette.line }}>
              {column.map(({ member, share, name, feedback }) => (
                <MemberLine
                  key={member.id}
                  member={member}
                  share={share}
                  name={name}
                  feedback={feedback}
                  lookFors={current.lookFor}
                  onOpen={() => {
                    setOpenId(member.studentId);
                  }}
                />
              ))}
            </View>
          ))}
        </Card>
        <View style={{ minHeight: target, borderRadius: radius.card }} />
      </ScrollView>
      {open ? (
        <FeedbackSheet
          key={open.member.id}
          member={open.member}
          name={open.name}
          feedback={open.feedback}
          lookFors={movesOf(circle, current).filter(({ removed }) => !removed)}
          onClose={() => {
            setOpenId(null);
          }}
        />
      ) : null}
    </>
  );
}
