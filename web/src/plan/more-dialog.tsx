import type { Plan } from '@inner-rung/core/session';
import { ClipboardPaste, Copy, Download, Moon, Shapes, Sun, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { Link, useNavigate } from 'react-router';
import { copyId } from '../store/copy.ts';
import { useApp } from '../store/index.ts';
import { openNewPlan } from '../store/sync.ts';
import { useMay } from '../store/use-may.ts';
import { useTheme } from '../store/use-theme.ts';
import type { Commands } from '../ui/commands.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { saveFile } from '../ui/save-file.ts';

/** A session as it leaves the house: what is written for one person stays. */
const withoutWords = ({ wordsFor: _, ...plan }: Plan) => plan;

/** What is done with a whole session: another like it, out as a file, away. */
export function MoreDialog(props: {
  plan: Plan;
  commands: Commands<'paste' | 'theme'>;
  onClose: () => void;
}) {
  const { plan, commands } = props;
  const store = useStore();
  const mayChange = useMay('change-sessions');
  const navigate = useNavigate();
  const theme = useTheme();
  const base = useApp((state) => state.sync.base[plan.id] ?? 0);
  const [sure, setSure] = useState(false);
  const [fault, setFault] = useState('');
  const copy = () => {
    const made: Plan = { ...plan, id: copyId(plan.id), title: `${plan.title.slice(0, 113)}, again` };
    openNewPlan(store, made);
    props.onClose();
    void navigate(`/plan/${made.id}`);
  };
  const remove = async () => {
    const response = await fetch(`/api/plans/${plan.id}`, {
      method: 'DELETE',
      headers: { 'If-Match': `"${base}"` },
    }).catch(() => null);
    if (response?.ok) void navigate('/circuits');
    else setFault('It could not be deleted now: the server is away, or it was saved elsewhere meanwhile.');
  };
  return (
    <Dialog title={plan.title} onClose={props.onClose}>
      <div className="grid gap-2">
        <Link to={`/plan/${plan.id}/setup`} className="btn touch justify-start md:hidden">
          <Shapes size={18} aria-hidden /> Set up: what to put out
        </Link>
        <button type="button" className="btn touch justify-start md:hidden" onClick={commands.paste.run}>
          <ClipboardPaste size={18} aria-hidden /> Paste a session
        </button>
        <button type="button" className="btn touch justify-start md:hidden" onClick={commands.theme.run}>
          {theme === 'paper' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
          {theme === 'paper' ? 'Dark, for the hall' : 'Light, for planning'}
        </button>
        <button type="button" className="btn touch justify-start" onClick={copy}>
          <Copy size={18} aria-hidden /> Make another like it
        </button>
        <button
          type="button"
          className="btn touch justify-start"
          onClick={() =>
            saveFile(
              `${plan.id}.json`,
              'application/json',
              `${JSON.stringify(withoutWords(plan), null, 2)}\n`,
            )
          }
        >
          <Download size={18} aria-hidden /> Keep it as a file
        </button>
        {mayChange && (
          <button type="button" className="btn touch justify-start" onClick={() => setSure(true)}>
            <Trash2 size={18} aria-hidden /> Delete it
          </button>
        )}
        {sure && (
          <p className="border-l-4 border-primary pl-3">
            It will be gone for good.{' '}
            <button type="button" className="btn btn-sm btn-primary touch" onClick={() => void remove()}>
              Delete “{plan.title}”
            </button>
          </p>
        )}
        {fault && (
          <p role="alert" className="font-semibold text-error">
            {fault}
          </p>
        )}
      </div>
    </Dialog>
  );
}
