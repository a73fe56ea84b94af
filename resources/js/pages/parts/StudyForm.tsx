import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Ticks } from '@/components/Ticks';
import { PanelHead } from '@/components/PanelHead';
import { day } from '@/lib/format';
import { postJson, putJson } from '@/lib/http';
import type { SavedStudy, StudyRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { CHANGE_KINDS, type Fields, usePendingChange } from '@/lib/changeKinds';
import { ChangeFields } from '@/pages/parts/ChangeFields';
import { DateField } from '@/components/DateField';
import { useCommand } from '@/lib/useCommand';

interface Props {
    study: StudyRow | null;
    calendars: string[];
    onClose: () => void;
    onSaved: (id: number, run: number | null) => void;
}

interface Line {
    text: string;
    fields: Fields;
}

/** A study's name, what of the parameters differs, and the changes on top of the live data. */
export function StudyForm({ study, calendars, onClose, onSaved }: Props) {
    const { forecastNames, sites, countedForecasts, plan } = useShared();
    const settings = study?.settings;
    const [name, setName] = useState(study?.name ?? '');
    const [horizon, setHorizon] = useState(settings?.horizonEnd ?? '');
    const [forecasts, setForecasts] = useState(settings?.forecasts ?? countedForecasts);
    const [chosenSites, setChosenSites] = useState(settings?.sites ?? sites.map((site) => site.code));
    const [safety, setSafety] = useState(settings?.safetyStock ?? true);
    const [lines, setLines] = useState<Line[]>(
        () => study?.changes.map((change) => ({ text: change.text, fields: JSON.parse(change.fields) as Fields })) ?? [],
    );
    const pending = usePendingChange(calendars);
    const [asked, setAsked] = useState<{ run: boolean } | null>(null);
    const withPending = () => (pending.fields === null ? lines : [...lines, lineOf(pending.fields)]);
    const lineOf = (fields: Fields): Line => ({ fields, text: inWords(fields, plan.planDate) });
    const add = () => {
        setLines(withPending());
        pending.forget();
        setAsked(null);
    };
    // What is typed and not added would be lost: whoever keeps the study is asked.
    const keep = (run: boolean) => (pending.kind === null ? save({ run, lines }) : setAsked({ run }));
    const same = (a: string[], b: string[]) => a.length === b.length && a.every((one) => b.includes(one));
    const {
        send: save,
        busy,
        trouble,
    } = useCommand(
        ({ run, lines }: { run: boolean; lines: Line[] }) => {
            const body = {
                name,
                run,
                version: study?.version ?? 0,
                changes: lines.map((line) => line.fields),
                parameters: {
                    horizonEnd: horizon || null,
                    forecasts: same(forecasts, countedForecasts) ? null : forecasts,
                    sites: chosenSites.length === sites.length ? null : chosenSites,
                    safetyStock: safety ? null : false,
                },
            };
            return study ? putJson<SavedStudy>(`/studies/${study.id}`, body) : postJson<SavedStudy>('/studies', body);
        },
        (saved) => onSaved(saved.id, saved.run),
    );
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                keep(true);
            }}
        >
            <PanelHead title={study ? t('Change :name', { name: study.name }) : t('New study')} onClose={onClose} />
            <label className="mt-2 block text-xs font-bold text-mute" htmlFor="study-name">
                {t('Name')}
            </label>
            <input
                id="study-name"
                value={name}
                autoFocus
                maxLength={80}
                required
                onChange={(event) => setName(event.target.value)}
                className="mt-1 h-[30px] w-full rounded border border-line bg-surface px-2"
            />
            <div className="mt-3 flex items-center gap-2 text-sm">
                <label htmlFor="study-horizon" className="flex-1">
                    {t('Plan up to')}
                </label>
                <DateField id="study-horizon" value={horizon} onChange={setHorizon} optional />
            </div>
            <Ticks
                inline
                title={t('Forecasts that count')}
                all={forecastNames.map((one) => [one, one])}
                chosen={forecasts}
                onChange={setForecasts}
            />
            <Ticks
                inline
                title={t('Sites')}
                all={sites.map((site) => [site.code, site.name])}
                chosen={chosenSites}
                onChange={setChosenSites}
            />
            <label className="mt-2 flex items-center gap-2 text-sm">
                <input type="checkbox" checked={safety} onChange={(event) => setSafety(event.target.checked)} className="accent-act" />
                {t('Safety stock counts')}
            </label>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Changes')}</h3>
            <ul className="text-sm">
                {lines.map((line, place) => (
                    <li key={place} className="flex items-start gap-2 border-b border-soft py-1">
                        <span className="flex-1">{line.text}</span>
                        <button
                            type="button"
                            aria-label={t('Take out: :text', { text: line.text })}
                            onClick={() => setLines(lines.filter((_, other) => other !== place))}
                            className="text-mute hover:text-ink"
                        >
                            <X size={14} aria-hidden />
                        </button>
                    </li>
                ))}
            </ul>
            <ChangeFields change={pending} calendars={calendars} onAdd={add} />
            {asked && pending.kind !== null && (
                <div role="alert" className="mt-3 rounded border border-look bg-look-tint px-2.5 py-2 text-sm">
                    <p className="mb-2 font-semibold">
                        {pending.fields === null
                            ? t(':what is chosen, but not filled in. The study has not been kept yet.', { what: t(pending.kind.label) })
                            : t(':what is typed, but not added. The study has not been kept yet.', { what: lineOf(pending.fields).text })}
                    </p>
                    <div className="flex flex-wrap gap-2">
                        {pending.fields !== null && (
                            <Button
                                autoFocus
                                look="act"
                                disabled={busy}
                                onClick={() => {
                                    add();
                                    save({ run: asked.run, lines: withPending() });
                                }}
                            >
                                {t('Add it and keep')}
                            </Button>
                        )}
                        <Button
                            autoFocus={pending.fields === null}
                            disabled={busy}
                            onClick={() => {
                                pending.forget();
                                setAsked(null);
                                save({ run: asked.run, lines });
                            }}
                        >
                            {t('Keep without it')}
                        </Button>
                        <Button onClick={() => setAsked(null)}>{t('Go back')}</Button>
                    </div>
                </div>
            )}
            {trouble && (
                <p role="alert" className="mt-3 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            <div className="mt-4 flex gap-2">
                <Button type="submit" look="act" disabled={busy || chosenSites.length === 0}>
                    {t('Keep and plan it')}
                </Button>
                <Button disabled={busy} onClick={() => keep(false)}>
                    {t('Only keep it')}
                </Button>
            </div>
        </form>
    );
}

/** A change that has not been kept yet, in short; the server says it in full. */
function inWords(fields: Fields, planDate: string): string {
    const kind = CHANGE_KINDS.find((one) => one.change === fields.change && Object.keys(one.fixed ?? {}).every((name) => name in fields));
    const values = (kind?.fields ?? []).flatMap((field) => {
        const value = fields[field.name];
        if (value === undefined || value === '' || (Array.isArray(value) && value.length === 0)) {
            return [];
        }
        return [field.type === 'date' ? day(String(value), planDate) : Array.isArray(value) ? value.join(', ') : String(value)];
    });
    return `${kind ? t(kind.label) : fields.change}: ${values.join(', ')}`;
}
