import { useState } from 'react';
import { View } from 'react-native';
import type { Draw } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { LinkRow } from '../../../parts/LinkRow';
import type { SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { DrawBoard } from './DrawBoard';
import { DrawList } from './DrawList';
import { DrawSentence } from './DrawSentence';
import { DrawSheet } from './DrawSheet';
import type { DrawPool } from './pool';
import { SeedSheet } from './SeedSheet';
import type { Drawing } from './useDrawing';

/** What is open over the page: the big screen before or after a draw, a draw's own sheet, the class's number. */
type DrawOpen =
  { what: 'board'; draw: Draw | null } | { what: 'sheet'; draw: Draw } | { what: 'seed' } | null;

interface DrawPartProps {
  pool: DrawPool;
  drawing: Drawing;
  days: SentencePart;
}

/** The last draw, large. */
function LastDrawn({
  draw,
  pool,
  setOpen,
}: {
  draw: Draw;
  pool: DrawPool;
  setOpen: (open: DrawOpen) => void;
}) {
  return (
    <Card style={{ gap: space(2) }}>
      <View aria-live="polite" testID="last-drawn">
        {draw.winners.map((id) => (
          <Words key={id} size="title" serif heading={2}>
            {pool.nameOf(id)}
          </Words>
        ))}
      </View>
      <Words tone="inkQuiet">
        {`Drawn on ${dayMonth(draw.at.slice(0, 10))} at ${draw.at.slice(11, 16)}, from ${many(draw.entries.filter(({ rests }) => !rests).length || draw.entries.length, 'student')}`}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Show on the big screen"
          onPress={() => {
            setOpen({ what: 'board', draw });
          }}
        />
        <Action
          label="How it was drawn"
          onPress={() => {
            setOpen({ what: 'sheet', draw });
          }}
        />
      </View>
    </Card>
  );
}

/** Lots among those with nods: what is drawn, who is in it, who was drawn. */
export function DrawPart({ pool, drawing, days }: DrawPartProps) {
  const [open, setOpen] = useState<DrawOpen>(null);
  const wide = useWide();
  const [last, ...before] = pool.earlier;
  const close = () => {
    setOpen(null);
  };
  return (
    <>
      <DrawSentence pool={pool} drawing={drawing} days={days} />
      {drawing.most > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(4) }}>
          <Action
            label="Draw on the big screen"
            onPress={() => {
              setOpen({ what: 'board', draw: null });
            }}
          />
          <Action
            label="With a number somebody names"
            onPress={() => {
              setOpen({ what: 'seed' });
            }}
          />
        </View>
      ) : null}
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(4),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
          {last ? <LastDrawn draw={last} pool={pool} setOpen={setOpen} /> : null}
          <DrawList pool={pool} drawing={drawing} />
        </View>
        {before.length > 0 ? (
          <Card style={{ flex: wide ? 1 : undefined }}>
            <Words bold heading={2}>
              Before that
            </Words>
            {before.map((draw) => {
              const words = `${dayMonth(draw.at.slice(0, 10))}: ${draw.winners.map(pool.nameOf).join(', ')}`;
              return (
                <LinkRow
                  key={draw.id}
                  words={words}
                  name={`${words}. How it was drawn`}
                  onOpen={() => {
                    setOpen({ what: 'sheet', draw });
                  }}
                />
              );
            })}
          </Card>
        ) : null}
      </View>
      {open?.what === 'board' ? (
        <DrawBoard
          pool={pool}
          made={open.draw}
          among={drawing.lot.entries
            .filter(({ rests }) => !rests || drawing.lot.tickets === 0)
            .map(({ studentId }) => studentId)}
          onDraw={() => drawing.draw(null)}
          onClose={close}
        />
      ) : null}
      {open?.what === 'sheet' ? (
        <DrawSheet
          draw={open.draw}
          pool={pool}
          onShow={() => {
            setOpen({ what: 'board', draw: open.draw });
          }}
          onClose={close}
        />
      ) : null}
      {open?.what === 'seed' ? <SeedSheet onDraw={(seed) => drawing.draw(seed)} onClose={close} /> : null}
    </>
  );
}

/** The one thing to do on a page with draws. */
export const mainOf = ({ most, draw }: Drawing) => ({
  label: 'Draw',
  disabled: most === 0,
  onPress: () => {
    draw(null);
  },
});
