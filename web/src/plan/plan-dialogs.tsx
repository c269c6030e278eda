import { blocksOf, notesOf } from '@inner-rung/core/read';
import { MovePicker } from '../features/move-picker.tsx';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { letterKeysSet } from '../store/view-slice.ts';
import { type Commands, KeysDialog } from '../ui/commands.tsx';
import type { BlockPicture } from './block-picture.ts';
import { MoreDialog } from './more-dialog.tsx';
import { OrderDialog } from './order-dialog.tsx';
import { PasteDialog } from './paste.tsx';
import { SumsDialog } from './sums-dialog.tsx';
import type { Bench } from './use-bench.ts';

/** Whatever lies over the session: at most one of them. */
export function PlanDialogs(props: { bench: Bench; shown: BlockPicture | null; commands: Commands }) {
  const { bench, shown, commands } = props;
  const { open, setOpen, library, plan, at, pick, pickIn } = bench;
  const send = useSend();
  const letters = useApp((state) => state.view.letterKeys);
  const close = () => setOpen(null);
  const here = { block: at.block, station: at.station };
  switch (open) {
    case 'move':
    case 'add':
      return (
        <MovePicker
          library={library}
          title={open === 'add' ? 'Add a station' : `Station ${at.station + 1}: another move, for everybody`}
          onClose={close}
          onPick={(move) => {
            if (open === 'add') {
              send(
                planEvents.stationsAdded({
                  block: at.block,
                  after: at.count === 0 ? -1 : at.station,
                  stations: [{ move, sides: 'swap at half' }],
                }),
              );
              pick(at.station + 1);
            } else send(planEvents.moveChosen({ ...here, move }));
            close();
          }}
        />
      );
    case 'order':
      return shown ? (
        <OrderDialog
          library={library}
          block={shown.block}
          onTake={(order) => {
            send(planEvents.stationsOrdered({ block: at.block, order }));
            close();
          }}
          onClose={close}
        />
      ) : null;
    case 'paste':
      return (
        <PasteDialog
          into={plan.id}
          library={library}
          onClose={close}
          onUse={(pasted) => {
            const blocks = blocksOf(pasted);
            send(
              planEvents.sessionPasted({
                title: pasted.title,
                notes: notesOf(pasted),
                ...(pasted.aim ? { aim: pasted.aim } : {}),
                blocks,
                block: at.block,
              }),
            );
            pickIn(blocks.length > 1 ? 0 : at.block, 0);
            close();
          }}
        />
      );
    case 'sums':
      return bench.picture ? (
        <SumsDialog
          library={library}
          plan={bench.picture.plan}
          sums={bench.picture.sums}
          who={bench.person ? `for ${bench.person.name}` : 'for a lane'}
          onClose={close}
        />
      ) : null;
    case 'more':
      return <MoreDialog plan={plan} commands={commands} onClose={close} />;
    case 'keys':
      return (
        <KeysDialog
          commands={commands}
          letters={{ on: letters, onToggle: (on) => send(letterKeysSet(on)) }}
          onClose={close}
        />
      );
    default:
      return null;
  }
}
