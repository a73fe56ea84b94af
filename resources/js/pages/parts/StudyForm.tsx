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
import { CHANGE_KINDS, ChangeFields, type Fields } from '@/pages/parts/ChangeFields';
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
    const { forecastNames, sites, runDefaults, plan } = useShared();
    const settings = study?.settings;
    const [name, setName] = useState(study?.name ?? '');
    const [horizon, setHorizon] = useState(settings?.horizonEnd ?? '');
    const [forecasts, setForecasts] = useState(settings?.forecasts ?? runDefaults.forecasts);
    const [chosenSites, setChosenSites] = useState(settings?.sites ?? sites.map((site) => site.code));
    const [safety, setSafety] = useState(settings?.safetyStock ?? true);
    const [lines, setLines] = useState<Line[]>(
        () => study?.changes.map((change) => ({ text: change.text, fields: JSON.parse(change.fields) as Fields })) ?? [],
    );
    const same = (a: string[], b: string[]) => a.length === b.length && a.every((one) => b.includes(one));
    const {
        send: save,
        busy,
        trouble,
    } = useCommand(
        (run: boolean) => {
            const body = {
                name,
                run,
                version: study?.version ?? 0,
                changes: lines.map((line) => line.fields),
                parameters: {
                    horizonEnd: horizon || null,
                    forecasts: same(forecasts, runDefaults.forecasts) ? null : forecasts,
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
                save(true);
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
            <ChangeFields
                calendars={calendars}
                onAdd={(fields) => setLines([...lines, { fields, text: inWords(fields, plan.planDate) }])}
            />
            {trouble && (
                <p role="alert" className="mt-3 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            <div className="mt-4 flex gap-2">
                <Button type="submit" look="act" disabled={busy || chosenSites.length === 0}>
                    {t('Keep and plan it')}
                </Button>
                <Button disabled={busy} onClick={() => save(false)}>
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
