import CloudSun from 'lucide-react-native/icons/cloud-sun';
import Copy from 'lucide-react-native/icons/copy';
import Link2Off from 'lucide-react-native/icons/link-2-off';
import Tablet from 'lucide-react-native/icons/tablet';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { checkInNow, plainSetting } from '@slate-path/core/attendance/checkIn/window';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { lazily } from '../../../parts/lazily';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { copyText } from '../../../files/give';
import { useAllLessons } from '../lesson/lessons';
import { ApiProblem, post } from '../../../sync/api';
import { useNow } from '../../../sync/clock';
import { makeChange, type Concerns } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useSectionName } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { useRoundUp } from './useRoundUp';

// Its library does not come with the first screen.
const QrCode = lazily(() => import('../../../parts/QrCode'));

const keyOf = (sectionId: string) => `slate-check-in-link-${sectionId}`;

/** The class's link, kept on this device: the server has only its hash. */
function useLink(sectionId: string) {
  const [token, setToken] = useState(() => localStorage.getItem(keyOf(sectionId)));
  const [problem, setProblem] = useState<string>();
  const attempt = async (work: () => Promise<void>) => {
    setProblem(undefined);
    try {
      await work();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.detail);
    }
  };
  const make = () =>
    attempt(async () => {
      const made = await post(addressOf('makeCheckInLink', { sectionId }));
      localStorage.setItem(keyOf(sectionId), made.token);
      setToken(made.token);
    });
  const end = () =>
    attempt(async () => {
      await post(addressOf('endCheckInLinks', { sectionId }));
      localStorage.removeItem(keyOf(sectionId));
      setToken(null);
    });
  return { token, problem, make, end };
}

/** How a class's students check themselves in: the link as a QR code, and how it is set. */
export function CheckInScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const now = useNow();
  const router = useRouter();
  const className = useSectionName(sectionId);
  const setting = useRecords((state) => state.current.checkInSetting[sectionId]) ?? plainSetting;
  const lessons = useAllLessons().filter((lesson) => lesson.sectionId === sectionId);
  const state = checkInNow(lessons, setting, now);
  const today = state.state === 'open' ? state.lesson : lessons.findLast(({ date }) => date === now.date);
  const { token, problem, make, end } = useLink(sectionId);
  const [told, setTold] = useState('');
  const link = token ? `${location.origin}/check-in/${token}` : '';
  const toClass = { pathname: '/classes/[sectionId]' as const, params: { sectionId } };
  return (
    <Page
      title={`Check in, ${className}`}
      note={
        state.state === 'open'
          ? `Open until ${state.closesAt}`
          : state.next
            ? `Opens at ${state.next.opensAt}`
            : 'No lesson is open now'
      }
      back={{ to: toClass, name: 'Back to the class' }}
      tools={
        <Action
          label="Weather"
          icon={CloudSun}
          onPress={() => {
            router.push({ pathname: '/classes/[sectionId]/weather', params: { sectionId } });
          }}
        />
      }
      full
    >
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(5), alignItems: 'flex-start' }}>
        <Card style={{ gap: space(3), alignItems: 'center', width: wide ? 520 : '100%' }}>
          {token ? (
            <>
              <QrCode text={link} size={wide ? 400 : 260} name="The link as a QR code" />
              <Words size="small" tone="inkQuiet" live>
                {told || 'Students point their phones at it. Whoever has the link can check in.'}
              </Words>
              <View
                style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2), justifyContent: 'center' }}
              >
                <Action
                  label="Copy the link"
                  icon={Copy}
                  onPress={() => void copyText(link, 'The link').then(setTold)}
                />
                <Action
                  label="Shared tablet"
                  icon={Tablet}
                  onPress={() => {
                    window.open(`${link}?shared=1`, '_blank', 'noopener');
                  }}
                />
                <Action label="End the link" icon={Link2Off} onPress={() => void end()} />
              </View>
            </>
          ) : (
            <>
              <Words>
                Students check themselves in with a phone, or on a tablet at the door: they find their name
                and say how they are. They see nothing of anybody else.
              </Words>
              <Action label="Make the link" kind="main" onPress={() => void make()} />
            </>
          )}
          {problem ? (
            <Words tone="ember" live>
              {problem}
            </Words>
          ) : null}
        </Card>
        <View style={{ flex: wide ? 1 : undefined, width: wide ? undefined : '100%', gap: space(4) }}>
          {today ? <StillToCome lesson={today} short={setting.shortNames} /> : null}
          <Setting key={JSON.stringify(setting)} sectionId={sectionId} setting={setting} />
        </View>
      </View>
    </Page>
  );
}

/**
 * What the whole room may see while the page is on the big screen: how many are in, and who is not.
 * What anybody said is only on the lesson's own page.
 */
function StillToCome({ lesson, short }: { lesson: Lesson; short: boolean }) {
  const { missing, checkedIn, students } = useRoundUp(lesson);
  const names = shownNames(missing, short).map(({ name }) => name);
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="title" serif heading={2} live>
        {`${checkedIn} of ${students} are in`}
      </Words>
      {names.length > 0 ? (
        <Words>{`Still to come: ${names.join(', ')}`}</Words>
      ) : (
        <Words>Everyone is in.</Words>
      )}
      <Words size="small" tone="inkQuiet">
        What they said stands on the lesson, not here: this page may be on the big screen.
      </Words>
    </Card>
  );
}

const ofTheSetting: Concerns = ({ table }) => table === 'checkInSetting';

function Setting({ sectionId, setting }: { sectionId: string; setting: typeof plainSetting }) {
  const [before, setBefore] = useState(String(setting.opensMinutesBefore));
  const [after, setAfter] = useState(String(setting.closesMinutesAfter));
  const [lunch, setLunch] = useState(setting.lunchChoices.join(', '));
  const [short, setShort] = useState(setting.shortNames);
  const [wrong, setWrong] = useState(false);
  const accept = () => {
    const [opens, closes] = [Number(before), Number(after)];
    const choices = lunch
      .split(',')
      .map((choice) => choice.trim())
      .filter(Boolean);
    const good =
      Number.isInteger(opens) &&
      opens >= 0 &&
      opens <= 120 &&
      Number.isInteger(closes) &&
      closes >= 1 &&
      closes <= 240;
    setWrong(!good || choices.length > 12 || choices.some((choice) => choice.length > 40));
    if (!good || choices.length > 12 || choices.some((choice) => choice.length > 40)) return;
    const fields = { opensMinutesBefore: opens, closesMinutesAfter: closes, lunchChoices: choices };
    makeChange('checkIn.setting', { sectionId, ...fields, shortNames: short }, sectionId);
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        How it is set
      </Words>
      <View style={{ flexDirection: 'row', gap: space(3), flexWrap: 'wrap' }}>
        <Field
          label="Opens, minutes before"
          value={before}
          onChange={setBefore}
          width={150}
          keyboard="numeric"
        />
        <Field
          label="Closes, minutes after"
          value={after}
          onChange={setAfter}
          width={150}
          keyboard="numeric"
        />
      </View>
      <Field
        label="Lunch choices, with commas (empty: not asked)"
        value={lunch}
        onChange={setLunch}
        placeholder="soup, fish, none"
      />
      <TickRow name="Show only the first letter of family names" ticked={short} onChange={setShort}>
        <Words>Show only the first letter of family names</Words>
      </TickRow>
      {wrong ? (
        <Words tone="ember" live>
          Whole minutes (up to 120 before, 1 to 240 after), and at most twelve choices of 40 letters.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <Action label="Set it so" kind="main" onPress={accept} />
        <TakeBack about={sectionId} concerns={ofTheSetting} />
      </View>
    </Card>
  );
}
