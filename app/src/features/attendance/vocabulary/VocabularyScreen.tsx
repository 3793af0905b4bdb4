import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { Standing } from '@slate-path/core/records/schema';
import { standingWith } from '@slate-path/core/attendance/roll/standings';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { IconAction } from '../../../parts/IconAction';
import { Page } from '../../../parts/Page';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, rowHeight, space } from '../../../theme/tokens';
import { useAccount } from '../../../sync/account';
import { makeChange } from '../../../sync/outbox';
import { OnlyKeeper } from '../../../forms/OnlyKeeper';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { MergeSheet } from './MergeSheet';
import { StandingForm } from './StandingForm';
import { about, isLastOfItsKind, marksWords, meaningOf } from './words';

type Open = { what: 'new' } | { what: 'menu' | 'form' | 'merge'; id: string } | null;

function Letter({ code }: { code: string }) {
  const palette = usePalette();
  return (
    <View
      style={{
        width: 52,
        minHeight: 36,
        borderWidth: 1,
        borderColor: palette.line,
        borderRadius: radius.control,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      <Words serif size="name" lines={1}>
        {code}
      </Words>
    </View>
  );
}

/** What can be done with one kind. */
function StandingMenu({
  standing,
  inUse,
  marks,
  onMove,
  onOpen,
}: {
  standing: Standing;
  inUse: readonly Standing[];
  marks: number;
  /** Null where there is no further up or down. */
  onMove: { up: (() => void) | null; down: (() => void) | null };
  onOpen: (open: Open) => void;
}) {
  const { id, name } = standing;
  const last = isLastOfItsKind(standing, inUse);
  return (
    <Sheet
      title={name}
      note={`${meaningOf(standing)} · ${marksWords(marks)}`}
      onClose={() => {
        onOpen(null);
      }}
    >
      <Action
        label="Change letter, name or meaning"
        icon={Pencil}
        onPress={() => {
          onOpen({ what: 'form', id });
        }}
      />
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <Action
          label="Further up"
          icon={ArrowUp}
          disabled={!onMove.up}
          onPress={onMove.up ?? (() => undefined)}
        />
        <Action
          label="Further down"
          icon={ArrowDown}
          disabled={!onMove.down}
          onPress={onMove.down ?? (() => undefined)}
        />
      </View>
      {last ? (
        <Words tone="inkQuiet">
          It is the only one of its meaning, and the roll needs one: it can be renamed, but not retired or
          merged.
        </Words>
      ) : (
        <>
          <Action
            label="Merge into another"
            onPress={() => {
              onOpen({ what: 'merge', id });
            }}
          />
          <Action
            label="Retire: keep its marks, offer it no more"
            onPress={() => {
              makeChange('standing.retire', { id, retired: true }, about);
              onOpen(null);
            }}
          />
        </>
      )}
    </Sheet>
  );
}

interface StandingRowProps {
  standing: Standing;
  marks: number;
  /** Null for whoever may not change it. */
  onMenu: (() => void) | null;
}

function StandingRow({ standing, marks, onMenu }: StandingRowProps) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(2),
        minHeight: rowHeight + 8,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingLeft: space(4),
        paddingRight: space(1),
      }}
    >
      <Letter code={standing.code} />
      <View style={{ flex: 1, paddingVertical: space(2) }}>
        <Words size="name">{standing.name}</Words>
        <Words size="small" tone="inkQuiet">
          {`${meaningOf(standing)}${marks > 0 ? ` · ${marksWords(marks)}` : ''}`}
        </Words>
      </View>
      {onMenu ? <IconAction name={`Change ${standing.name}`} icon={Pencil} onPress={onMenu} /> : null}
    </View>
  );
}

function Retired({
  standing,
  into,
  marks,
}: {
  standing: Standing;
  into: Standing | undefined;
  marks: number;
}) {
  const letter = useRecords(({ current }) =>
    standingWith(Object.values(current.standing), standing.id, 'code', standing.code),
  );
  const isKeeper = useAccount((account) => account.isKeeper);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), minHeight: rowHeight }}>
      <Letter code={standing.code} />
      <View style={{ flex: 1 }}>
        <Words>{standing.name}</Words>
        <Words size="small" tone="inkQuiet">
          {into
            ? `merged into ${into.name}, ${marksWords(marks)}`
            : `${meaningOf(standing)}, ${marksWords(marks)}`}
        </Words>
      </View>
      {letter ? <Words size="small" tone="inkQuiet">{`${standing.code} is ${letter.name} now`}</Words> : null}
      {into || letter || !isKeeper ? null : (
        <Action
          label="Use again"
          name={`Use ${standing.name} again`}
          onPress={() => {
            makeChange('standing.retire', { id: standing.id, retired: false }, about);
          }}
        />
      )}
    </View>
  );
}

/** The teacher's own words for attendance. Marks point at a kind, never at its letter or name. */
export function VocabularyScreen() {
  const wide = useWide();
  const [open, setOpen] = useState<Open>(null);
  const standings = Object.values(useRecords((state) => state.current.standing)).sort(
    (a, b) => a.position - b.position,
  );
  const isKeeper = useAccount((account) => account.isKeeper);
  const { answer } = useView(addressOf('standingUse'));
  const usageOf = (id: string) => answer?.use.find(({ standingId }) => standingId === id);
  const inUse = standings.filter((s) => !s.removed);
  const retired = standings.filter((s) => s.removed);
  const chosen = open && 'id' in open ? standings.find(({ id }) => id === open.id) : undefined;
  const close = () => {
    setOpen(null);
  };
  const move = (index: number, by: number) => {
    const ids = inUse.map(({ id }) => id);
    const to = index + by;
    if (index < 0 || to < 0 || to >= ids.length) return null;
    return () => {
      [ids[index], ids[to]] = [ids[to] ?? '', ids[index] ?? ''];
      makeChange('standing.order', { ids }, about);
    };
  };
  return (
    <Page
      title="Attendance kinds"
      note="Your own words for being there, late or away. A new letter or name changes no mark and no sum."
      back={{ to: '/desk', name: 'Back to the desk' }}
    >
      <OnlyKeeper>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="Add a kind"
            icon={Plus}
            kind="main"
            onPress={() => {
              setOpen({ what: 'new' });
            }}
          />
          <TakeBack about={about} />
        </View>
      </OnlyKeeper>
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'flex-start' }}>
        <Card style={{ padding: 0, flex: wide ? 3 : undefined, width: wide ? undefined : '100%' }}>
          {inUse.map((standing) => (
            <StandingRow
              key={standing.id}
              standing={standing}
              marks={usageOf(standing.id)?.marks ?? 0}
              onMenu={
                isKeeper
                  ? () => {
                      setOpen({ what: 'menu', id: standing.id });
                    }
                  : null
              }
            />
          ))}
        </Card>
        <Card style={{ gap: space(2), flex: wide ? 2 : undefined, width: wide ? undefined : '100%' }}>
          <Words size="large" serif heading={2}>
            No longer offered
          </Words>
          {retired.length === 0 ? (
            <Words tone="inkQuiet">
              Kinds that are retired or merged stand here. Their marks stay where they are and go on counting.
            </Words>
          ) : null}
          {retired.map((standing) => (
            <Retired
              key={standing.id}
              standing={standing}
              into={standings.find(({ id }) => id === standing.mergedIntoId)}
              marks={usageOf(standing.id)?.marks ?? 0}
            />
          ))}
        </Card>
      </View>
      {chosen && open?.what === 'menu' ? (
        <StandingMenu
          standing={chosen}
          inUse={inUse}
          marks={usageOf(chosen.id)?.marks ?? 0}
          onMove={{ up: move(inUse.indexOf(chosen), -1), down: move(inUse.indexOf(chosen), 1) }}
          onOpen={setOpen}
        />
      ) : null}
      {open?.what === 'new' || (chosen && open?.what === 'form') ? (
        <StandingForm
          standing={chosen ?? null}
          position={standings.length}
          marks={chosen ? (usageOf(chosen.id)?.marks ?? 0) : 0}
          onClose={close}
        />
      ) : null}
      {chosen && open?.what === 'merge' ? (
        <MergeSheet
          standing={chosen}
          others={inUse.filter(({ id }) => id !== chosen.id)}
          marks={usageOf(chosen.id)?.marks ?? 0}
          sections={usageOf(chosen.id)?.sections ?? 0}
          onClose={close}
        />
      ) : null}
    </Page>
  );
}
