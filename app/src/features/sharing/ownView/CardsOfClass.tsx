import FileText from 'lucide-react-native/icons/file-text';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { usePaperSize } from '../../../files/paperSize';
import { useGiveFile } from '../../../files/useGiveFile';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';
import { renewViews } from '../../../sync/views';
import { useMoments } from '../useMoments';
import { CardSheet } from './CardSheet';
import type { CardOf } from './view';

/** How a card stands, in words. */
function useCardWords(): (card: CardOf) => string {
  const { day, moment } = useMoments();
  return ({ madeAt, openings, openedAt }) => {
    if (madeAt === null) return 'no card';
    const opened =
      openings === 0 || openedAt === null
        ? 'not opened yet'
        : `opened ${many(openings, 'time')}, last on ${moment(openedAt)}`;
    return `card of ${day(madeAt)}, ${opened}`;
  };
}

interface CardsOfClassProps {
  sectionId: string;
  isOn: boolean;
  cards: readonly CardOf[];
}

/** Who has a card, and sheets of new ones. */
export function CardsOfClass({ sectionId, isOn, cards }: CardsOfClassProps) {
  const palette = usePalette();
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  const wordsOf = useCardWords();
  const paper = usePaperSize();
  const { busy, giveMade, sheet } = useGiveFile();
  const [openId, setOpenId] = useState<string | null>(null);
  const lines = cards
    .flatMap((card) => {
      const student = current.student[card.studentId];
      return student ? [{ card, student }] : [];
    })
    .sort(byStudent(order));
  const all = lines.map(({ student }) => student.id);
  const without = lines.filter(({ card }) => card.madeAt === null).map(({ student }) => student.id);
  const open = lines.find(({ student }) => student.id === openId);
  const make = (studentIds: string[]) => {
    giveMade({
      address: addressOf('makeCards', { sectionId }),
      body: { studentIds, paper },
      onGiven: renewViews,
    });
  };
  if (cards.length === 0) return <Words tone="inkQuiet">Nobody is in this class yet.</Words>;
  return (
    <View style={{ gap: space(3) }}>
      <Words>
        {isOn
          ? 'A card has a code that opens its student’s page, in all classes that show one. A sheet has eight to cut.'
          : 'Cards open nothing until you show the page to the class.'}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {without.length > 0 ? (
          <Action
            label={`Make ${many(without.length, 'card')} (PDF)`}
            name={`Make ${many(without.length, 'card')} (PDF): for those who have none`}
            icon={FileText}
            disabled={busy}
            onPress={() => {
              make(without);
            }}
          />
        ) : (
          <Action
            label="New cards for all (PDF)"
            name="New cards for all (PDF): those handed out end"
            icon={FileText}
            disabled={busy}
            onPress={() => {
              make(all);
            }}
          />
        )}
      </View>
      {busy ? <Words live>The cards are being made…</Words> : null}
      <View>
        {lines.map(({ card, student }) => (
          <TapArea
            key={student.id}
            name={`${displayName(student)}: ${wordsOf(card)}. Tap for a new card`}
            onTap={() => {
              setOpenId(student.id);
            }}
            style={{
              minHeight: rowHeight,
              justifyContent: 'center',
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <Words bold>{displayName(student)}</Words>
            <Words size="small" tone="inkQuiet">
              {wordsOf(card)}
            </Words>
          </TapArea>
        ))}
      </View>
      {sheet}
      {open ? (
        <CardSheet
          student={open.student}
          hasCard={open.card.madeAt !== null}
          words={wordsOf(open.card)}
          onClose={() => {
            setOpenId(null);
          }}
        />
      ) : null}
    </View>
  );
}
