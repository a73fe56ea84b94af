import { useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { FIELD } from '@/components/Labelled';
import { deleteJson, freshKey, postJson } from '@/lib/http';
import type { KeptRunRow, KeptRuns, RunChoices } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

interface Props {
    /** The kept run that the choices came from. */
    row: KeptRunRow | null;
    chosen: RunChoices;
    timeZone: string;
    onKept: (now: KeptRuns, name: string) => void;
    onBack: () => void;
}

const MORNING = '06:00';

/** Keeps what was chosen for a run by name, with the time of each day at which it begins by itself; or takes a kept one away. */
export function RunKeep({ row, chosen, timeZone, onKept, onBack }: Props) {
    const [name, setName] = useState(row?.name ?? '');
    const [daily, setDaily] = useState(row?.dailyAt != null);
    const [at, setAt] = useState(row?.dailyAt ?? MORNING);
    const [leaves, setLeaves] = useState<string | null>(null);
    const key = useRef(freshKey());
    const keep = useCommand(
        (agreed: boolean) =>
            postJson<KeptRuns>('/runs/kept', {
                ...chosen,
                name,
                dailyAt: daily ? at : null,
                version: row?.name === name.trim() ? row.version : 0,
                agreed,
                key: key.current,
            }),
        (now) => onKept(now, name.trim()),
        ({ reason, details }) => {
            key.current = freshKey();
            if (reason === 'leaves') {
                setLeaves(String(details.what));
            }
            return reason === 'leaves';
        },
    );
    const forget = useCommand(
        (gone: KeptRunRow) => deleteJson<KeptRuns>('/runs/kept', { name: gone.name, version: gone.version }),
        (now) => onKept(now, ''),
    );
    const busy = keep.busy || forget.busy;
    const trouble = keep.trouble ?? forget.trouble;
    return (
        <fieldset className="mt-3 rounded border border-line px-2.5 pt-1 pb-2.5 text-sm">
            <legend className="px-1 text-xs font-bold text-mute">{t('Keep these choices')}</legend>
            <label className="flex items-center gap-2">
                <span className="w-12">{t('Name')}</span>
                <input
                    autoFocus
                    value={name}
                    maxLength={80}
                    onChange={(event) => setName(event.target.value)}
                    onKeyDown={(event) => {
                        if (event.key === 'Enter') {
                            event.preventDefault();
                            if (name.trim() !== '') {
                                keep.send(false);
                            }
                        }
                    }}
                    className={`${FIELD} min-w-0 flex-1`}
                />
            </label>
            <div className="mt-2 flex flex-wrap items-center gap-x-2">
                <label className="flex min-h-7 items-center gap-2">
                    <input type="checkbox" checked={daily} onChange={(event) => setDaily(event.target.checked)} className="accent-act" />
                    {t('Begins by itself each day at')}
                </label>
                <input
                    type="time"
                    aria-label={t('Time of the day')}
                    required={daily}
                    disabled={!daily}
                    value={at}
                    onChange={(event) => setAt(event.target.value)}
                    className={`${FIELD} disabled:text-mute`}
                />
                {daily && <span className="text-mute">{timeZone}</span>}
            </div>
            {leaves !== null && (
                <div role="alert" className="mt-2 rounded border border-look bg-look-tint px-2 py-1.5">
                    {t('By itself, each day, it would leave out :what. That would be the live plan for everybody.', { what: leaves })}
                </div>
            )}
            {trouble && (
                <p role="alert" className="mt-2 rounded bg-broken-tint px-2 py-1">
                    {trouble}
                </p>
            )}
            <div className="mt-2.5 flex flex-wrap gap-2">
                <Button look="act" disabled={busy || name.trim() === '' || (daily && at === '')} onClick={() => keep.send(leaves !== null)}>
                    {leaves === null ? t('Keep') : t('Keep it all the same')}
                </Button>
                <Button onClick={onBack}>{t('Go back')}</Button>
                {row !== null && (
                    <Button look="quiet" disabled={busy} onClick={() => forget.send(row)}>
                        {t('Take :name away', { name: row.name })}
                    </Button>
                )}
            </div>
        </fieldset>
    );
}
