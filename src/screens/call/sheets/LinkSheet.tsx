import type { CallView, PartyView } from '@/state/app';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';

import { fetchMeetingLink } from '../../looseEnds/fetchInboxScreens';
import { useFetched } from '../../shared/useFetched';

interface LinkSheetProps {
  view: CallView;
  party: PartyView | null;
  onClose: () => void;
}

/** The link to a meeting, for guests or for the screen beside somebody’s phone; fetched with what shows it. */
export function LinkSheet({ view, party, onClose }: LinkSheetProps) {
  const MeetingLink = useFetched(fetchMeetingLink);
  return (
    <Sheet title={party ? `A link for ${party.name}` : 'Invite by a link'} onClose={onClose}>
      {MeetingLink === null ? null : MeetingLink === 'missing' ? (
        <Txt>
          No link can be made now: that part of the app has not been fetched, and there is no network.
        </Txt>
      ) : (
        <MeetingLink view={view} party={party} onDone={onClose} />
      )}
    </Sheet>
  );
}
