import { soundChosen, useAppDispatch, useAppSelector, useServices, type CallView } from '@/state/app';
import { Sheet } from '@/ui/sheet';

import { CameraChoice } from '../meeting/CameraChoice';
import { RefusalLine } from './RefusalLine';

/** Shows the meeting what this device's camera sees. */
export function CameraSheet({ view, onClose }: { view: CallView; onClose: () => void }) {
  const { pictures } = useServices();
  const dispatch = useAppDispatch();
  const usual = useAppSelector(({ settings }) => settings.background);
  const show = async (stream: MediaStream) => {
    const isShown = (await pictures?.show(view.me.legId, 'camera', stream)) ?? false;
    if (isShown) onClose();
    return isShown;
  };
  return (
    <Sheet title="Your picture" onClose={onClose}>
      <CameraChoice
        onShow={show}
        refusal={<RefusalLine />}
        usual={usual}
        onBackground={(background) => void dispatch(soundChosen({ background }))}
      />
    </Sheet>
  );
}
