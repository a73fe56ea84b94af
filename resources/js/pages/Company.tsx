import { router } from '@inertiajs/react';
import { useState, type ReactNode } from 'react';
import { Button } from '@/components/Button';
import { FIELD } from '@/components/Labelled';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { deleteJson, postJson } from '@/lib/http';
import type { CompanyPage, CompanyValues, Told } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { CompanyTabs } from '@/pages/parts/CompanyTabs';

/** What holds for the whole company; each change is written with what was seen before, so that nobody overwrites another. */
export default function Company({ values, isDemo, timeZones, calendars }: CompanyPage) {
    const [edits, setEdits] = useState<Partial<CompanyValues>>({});
    const shown = { ...values, ...edits };
    const edit = (some: Partial<CompanyValues>) => setEdits({ ...edits, ...some });
    const save = useCommand<undefined, Told>(
        () => postJson<Told>('/company', { values: edits, seen: values }),
        () => {
            if (edits.numbers !== undefined) {
                document.documentElement.dataset.numbers = edits.numbers;
            }
            setEdits({});
            router.reload();
        },
        ({ reason }) => {
            if (reason === 'stale') {
                router.reload();
            }
            return false;
        },
    );
    const differs = Object.entries(edits).some(([name, value]) => value !== values[name as keyof CompanyValues]);
    return (
        <>
            <PageHead title={t('Company')}>{t('What holds for everybody who works here.')}</PageHead>
            <CompanyTabs on="company" />
            <form
                className="max-w-[640px]"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (differs) {
                        save.send(undefined);
                    }
                }}
            >
                <Line label={t('Name')} note={t('It stands on what is printed and sent.')} id="company-name">
                    <input
                        id="company-name"
                        value={shown.name}
                        maxLength={190}
                        onChange={(event) => edit({ name: event.target.value })}
                        className={`${FIELD} w-full`}
                    />
                </Line>
                <Line label={t('Address')} note={t('With line breaks, as on an envelope.')} id="company-address">
                    <textarea
                        id="company-address"
                        value={shown.address}
                        rows={3}
                        maxLength={500}
                        onChange={(event) => edit({ address: event.target.value })}
                        className="w-full rounded border border-line bg-surface px-2 py-1"
                    />
                </Line>
                <Line
                    label={t('Currency')}
                    note={t('Three letters, like EUR: what costs, prices and margins are in. Orders have that of their supplier.')}
                    id="company-currency"
                >
                    <input
                        id="company-currency"
                        value={shown.currency}
                        maxLength={3}
                        onChange={(event) => edit({ currency: event.target.value.toUpperCase() })}
                        className={`${FIELD} w-20`}
                    />
                </Line>
                <Choice
                    label={t('Time zone')}
                    note={t('A day begins by its clocks, and so does the daily run.')}
                    id="company-zone"
                    value={shown.timeZone}
                    choices={timeZones.map((zone) => [zone, zone])}
                    onChange={(timeZone) => edit({ timeZone })}
                />
                <Choice
                    label={t('Calendar of new sites')}
                    note={t('A new site begins with it; each may have another.')}
                    id="company-calendar"
                    value={shown.calendar}
                    choices={[['', t('every day works')], ...calendars.map((one): [string, string] => [one, one])]}
                    onChange={(calendar) => edit({ calendar })}
                />
                <Choice
                    label={t('Numbers')}
                    note={t('How they are written, and read where they are typed. Files keep the point.')}
                    id="company-numbers"
                    value={shown.numbers}
                    choices={[
                        ['point', '1,234.5'],
                        ['comma', '1.234,5'],
                    ]}
                    onChange={(numbers) => edit({ numbers: numbers as CompanyValues['numbers'] })}
                />
                <Line
                    label={t('More than ordered')}
                    note={t('So many percent may come beyond what was ordered; what is above is refused.')}
                    id="company-over"
                >
                    <input
                        id="company-over"
                        type="number"
                        min={0}
                        max={100}
                        value={shown.overPercent}
                        onChange={(event) => edit({ overPercent: Number(event.target.value) })}
                        className={`${FIELD} w-20 text-right`}
                    />{' '}
                    %
                </Line>
                <Switch
                    label={t('A released order holds its material')}
                    note={t('What the plan gives it from stock and from orders that come in time is kept for it.')}
                    on={shown.holdOnRelease}
                    onChange={(holdOnRelease) => edit({ holdOnRelease })}
                />
                <Switch
                    label={t('Purchases that were not sent count')}
                    note={t('Else a need that only they cover stands in the list of shortages.')}
                    on={shown.countUnsent}
                    onChange={(countUnsent) => edit({ countUnsent })}
                />
                <Switch
                    label={t('More may be taken than the books have')}
                    note={t('It is asked each time and marked; what is missing is owed until somebody receives or counts.')}
                    on={shown.belowZero}
                    onChange={(belowZero) => edit({ belowZero })}
                />
                <Button type="submit" look="act" disabled={save.busy || !differs}>
                    {t('Write it')}
                </Button>
                {differs && (
                    <Button className="ml-2" onClick={() => setEdits({})}>
                        {t('Take back')}
                    </Button>
                )}
            </form>
            <div className="mt-3 max-w-[640px]">
                {save.trouble && <Notice tone="broken">{save.trouble}</Notice>}
                {save.answer && <Notice tone="done">{save.answer.message}</Notice>}
                {isDemo && <DemoAway />}
            </div>
        </>
    );
}

/** The demo company goes as a whole, once somebody has said so twice. */
function DemoAway() {
    const [asked, setAsked] = useState(false);
    const away = useCommand(
        () => deleteJson<Told>('/company/demo'),
        () => router.visit('/'),
    );
    return (
        <section aria-label={t('Demo company')} className="mt-8 border-t border-line pt-3">
            <h2 className="font-semibold">{t('Demo company')}</h2>
            <p className="mt-0.5 mb-2 text-sm text-mute">
                {t('The data here are made up. Take them away to begin with your own; people and settings stay.')}
            </p>
            {asked ? (
                <div role="alertdialog" aria-label={t('Take the demo company away')} className="flex flex-wrap items-center gap-3">
                    <span className="font-semibold text-broken">
                        {t('All items, orders, plans and what was done with them go. This cannot be undone.')}
                    </span>
                    <Button look="act" autoFocus disabled={away.busy} onClick={() => away.send(undefined)}>
                        {t('Take it all away')}
                    </Button>
                    <Button look="quiet" onClick={() => setAsked(false)}>
                        {t('Go back')}
                    </Button>
                </div>
            ) : (
                <Button onClick={() => setAsked(true)}>{t('Take the demo company away')}</Button>
            )}
            {away.trouble && <Notice tone="broken">{away.trouble}</Notice>}
        </section>
    );
}

function Line({ label, note, id, children }: { label: string; note: string; id: string; children: ReactNode }) {
    return (
        <div className="mb-4 grid grid-cols-[190px_1fr] gap-4">
            <div>
                <label htmlFor={id} className="block font-semibold">
                    {label}
                </label>
                <p className="text-xs text-mute">{note}</p>
            </div>
            <div>{children}</div>
        </div>
    );
}

interface ChoiceProps {
    label: string;
    note: string;
    id: string;
    value: string;
    /** Values with what they are called. */
    choices: [string, string][];
    onChange: (value: string) => void;
}

function Choice({ label, note, id, value, choices, onChange }: ChoiceProps) {
    return (
        <Line label={label} note={note} id={id}>
            <select id={id} value={value} onChange={(event) => onChange(event.target.value)} className={`${FIELD} max-w-64`}>
                {choices.map(([one, called]) => (
                    <option key={one} value={one}>
                        {called}
                    </option>
                ))}
            </select>
        </Line>
    );
}

function Switch({ label, note, on, onChange }: { label: string; note: string; on: boolean; onChange: (on: boolean) => void }) {
    return (
        <label className="mb-4 flex gap-3">
            <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} className="mt-1 accent-act" />
            <span>
                <span className="block font-semibold">{label}</span>
                <span className="block text-xs text-mute">{note}</span>
            </span>
        </label>
    );
}
