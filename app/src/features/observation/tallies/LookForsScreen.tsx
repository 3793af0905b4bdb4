import Copy from 'lucide-react-native/icons/copy';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import type { Focus, LookFor } from '@slate-path/core/records/schema';
import {
  listedFirst,
  lookForsOf,
  measureWords,
  toneWords,
} from '@slate-path/core/observation/tallies/lookFors';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { IconAction } from '../../../parts/IconAction';
import { Page } from '../../../parts/Page';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { makeChange } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { CopyFocusSheet } from './CopyFocusSheet';
import { FocusForm } from './FocusForm';
import { LookForSign, toneColour } from './LookForSign';
import { NoLookFors } from './NoLookFors';

const LookForForm = lazily(() => import('./LookForForm'));

type Open =
  | { what: 'newLookFor' | 'newSet' }
  | { what: 'lookFor'; lookFor: LookFor }
  | { what: 'set' | 'copy'; focus: Focus }
  | null;

function LookForRow({ lookFor, whose, onOpen }: { lookFor: LookFor; whose: string; onOpen: () => void }) {
  const palette = usePalette();
  const { name, sign, tone, measure } = lookFor;
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        minHeight: rowHeight + 4,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingLeft: space(4),
        paddingRight: space(1),
      }}
    >
      <LookForSign sign={sign} tone={toneColour[tone]} size={24} />
      <View style={{ flex: 1 }}>
        <Words size="name" lines={2}>
          {name}
        </Words>
        <Words size="small" tone="inkQuiet">
          {[toneWords[tone], measureWords[measure], whose].filter(Boolean).join(' · ')}
        </Words>
      </View>
      <IconAction name={`Change ${name}`} icon={Pencil} onPress={onOpen} />
    </View>
  );
}

/** What is worth watching, and the sets of it for a purpose. Retired ones keep their counts. */
export function LookForsScreen() {
  const wide = useWide();
  const palette = usePalette();
  const [open, setOpen] = useState<Open>(null);
  const current = useRecords((state) => state.current);
  const all = Object.values(current.lookFor).sort(listedFirst);
  const inUse = all.filter(({ removed }) => !removed);
  const retired = all.filter(({ removed }) => removed);
  const focuses = listOf(current, 'focus').sort((a, b) => a.name.localeCompare(b.name));
  const whose = (sectionId: string | null) =>
    sectionId === null ? '' : `only ${current.section[sectionId]?.name ?? 'one class'}`;
  const close = () => {
    setOpen(null);
  };
  const sets = (
    <Card style={{ padding: 0 }}>
      {focuses.map((focus) => (
        <View
          key={focus.id}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            paddingLeft: space(4),
            paddingVertical: space(2),
            borderBottomWidth: 1,
            borderColor: palette.line,
          }}
        >
          <View style={{ flex: 1 }}>
            <Words size="name" bold>
              {focus.name}
            </Words>
            <Words size="small" tone="inkQuiet">
              {[
                whose(focus.sectionId),
                lookForsOf(focus, current.lookFor)
                  .map(({ name }) => name)
                  .join(' · '),
              ]
                .filter(Boolean)
                .join(': ')}
            </Words>
          </View>
          <IconAction
            name={`Copy ${focus.name} to another class`}
            icon={Copy}
            onPress={() => {
              setOpen({ what: 'copy', focus });
            }}
          />
          <IconAction
            name={`Change the set ${focus.name}`}
            icon={Pencil}
            onPress={() => {
              setOpen({ what: 'set', focus });
            }}
          />
        </View>
      ))}
    </Card>
  );
  const list = (
    <Card style={{ padding: 0 }}>
      {inUse.map((lookFor) => (
        <LookForRow
          key={lookFor.id}
          lookFor={lookFor}
          whose={whose(lookFor.sectionId)}
          onOpen={() => {
            setOpen({ what: 'lookFor', lookFor });
          }}
        />
      ))}
    </Card>
  );
  const gone =
    retired.length === 0 ? null : (
      <Card style={{ gap: space(1) }}>
        <Words size="large" serif heading={2}>
          Retired
        </Words>
        {retired.map(({ id, name }) => (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
            <View style={{ flex: 1 }}>
              <Words>{name}</Words>
            </View>
            <Action
              label="Use again"
              name={`Use ${name} again`}
              onPress={() => {
                makeChange('lookFor.retire', { id, retired: false }, 'lookFors');
              }}
            />
          </View>
        ))}
      </Card>
    );
  return (
    <Page
      title="Look-fors"
      note="What you tally in lessons, in small sets for a purpose. Changing a name or a set loses no count."
      back={{ to: '/desk', name: 'Back to the desk' }}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Add a look-for"
          icon={Plus}
          kind="main"
          onPress={() => {
            setOpen({ what: 'newLookFor' });
          }}
        />
        <Action
          label="Add a set"
          icon={Plus}
          disabled={inUse.length === 0}
          onPress={() => {
            setOpen({ what: 'newSet' });
          }}
        />
        <TakeBack about="lookFors" />
      </View>
      {all.length === 0 ? (
        <NoLookFors />
      ) : wide ? (
        <View style={{ flexDirection: 'row', gap: space(4), alignItems: 'flex-start' }}>
          <View style={{ flex: 1, gap: space(4) }}>{list}</View>
          <View style={{ flex: 1, gap: space(4) }}>
            {sets}
            {gone}
          </View>
        </View>
      ) : (
        <>
          {sets}
          {list}
          {gone}
        </>
      )}
      {open?.what === 'newLookFor' ? (
        <Sheet title="A new look-for" onClose={close}>
          <LookForForm lookFor={null} sectionId={null} onAccept={close} />
        </Sheet>
      ) : null}
      {open?.what === 'lookFor' ? (
        <Sheet title={`Change “${open.lookFor.name}”`} onClose={close}>
          <LookForForm lookFor={open.lookFor} sectionId={open.lookFor.sectionId} onAccept={close} />
          <Action
            label="Retire: keep its counts, offer it no more"
            onPress={() => {
              makeChange('lookFor.retire', { id: open.lookFor.id, retired: true }, 'lookFors');
              close();
            }}
          />
        </Sheet>
      ) : null}
      {open?.what === 'newSet' || open?.what === 'set' ? (
        <FocusForm focus={open.what === 'set' ? open.focus : null} lookFors={inUse} onClose={close} />
      ) : null}
      {open?.what === 'copy' ? <CopyFocusSheet focus={open.focus} onClose={close} /> : null}
    </Page>
  );
}
