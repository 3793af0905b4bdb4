import { useRouter } from 'expo-router';
import { addressOf } from '@slate-path/core/api/address';
import { feedWords } from '@slate-path/core/work/feed/feedWords';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { target } from '../../theme/tokens';
import { useNow, zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';

/** A line for each platform that is asked: for those that do not work, or for those that do. */
export function FeedLines({ sectionId, failing }: { sectionId: string; failing: boolean }) {
  const router = useRouter();
  const now = useNow();
  const zone = useRecords(({ current }) => zoneOf(Object.values(current.school)[0]));
  const { answer } = useView(addressOf('feeds', { sectionId }));
  const shown = answer?.feeds.filter(({ failure }) => (failure !== null) === failing);
  return shown?.map((feed) => {
    const { state, trouble } = feedWords({ ...feed, nextAt: null }, { now, zone });
    const words = `${feed.name}: ${(trouble ?? state).replace(/^./, (first) => first.toLowerCase())}`;
    return (
      <TapArea
        key={feed.id}
        name={words}
        style={{ minHeight: target, justifyContent: 'center' }}
        onTap={() => {
          router.push({ pathname: '/classes/[sectionId]/work/feed', params: { sectionId } });
        }}
      >
        <Words size="small" figures tone={trouble === null ? 'inkQuiet' : 'ember'}>
          {words}
        </Words>
      </TapArea>
    );
  });
}
