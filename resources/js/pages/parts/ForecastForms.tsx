import { useState, type ReactNode } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { DateField } from '@/components/DateField';
import { FIELD, Labelled } from '@/components/Labelled';
import { PanelHead } from '@/components/PanelHead';
import { SureDialog } from '@/components/SureDialog';
import type { ForecastHeading, ForecastPeriod, ForecastRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn, type Sentence } from '@/lib/t';
import type { Block } from '@/lib/useSelection';
import type { useForecastEdits } from '@/pages/parts/useForecastEdits';

/** Asked before a forecast goes. */
const LEAVES: Sentence = 'Take this forecast away?';

type Edits = ReturnType<typeof useForecastEdits>;

function Panel({ title, onClose, onSubmit, children }: { title: string; onClose: () => void; onSubmit: () => void; children: ReactNode }) {
    return (
        <>
            <PanelHead title={title} onClose={onClose} />
            <form
                aria-label={title}
                className="space-y-2.5"
                onSubmit={(event) => {
                    event.preventDefault();
                    onSubmit();
                }}
            >
                {children}
            </form>
        </>
    );
}

interface NameProps {
    /** Null for a new one. */
    heading: ForecastHeading | null;
    edits: Edits;
    onDone: (code: string) => void;
    onClose: () => void;
}

/** What a forecast is called, what it is for, and the days that it speaks of. */
export function NameForecast({ heading, edits, onDone, onClose }: NameProps) {
    const [code, setCode] = useState(heading?.code ?? '');
    const [purpose, setPurpose] = useState(heading?.purpose ?? '');
    const [begins, setBegins] = useState(heading?.begins ?? '');
    const [ends, setEnds] = useState(heading?.ends ?? '');
    const [leaving, setLeaving] = useState(false);
    const save = () =>
        void edits
            .command('/demand/forecasts', {
                code: code.trim(),
                purpose: purpose.trim(),
                begins: begins || null,
                ends: ends || null,
                new: heading === null,
            })
            .then((done) => done && onDone(code.trim()));
    return (
        <Panel
            title={heading === null ? t('A new forecast') : t('Forecast :code', { code: heading.code })}
            onClose={onClose}
            onSubmit={save}
        >
            {heading === null && (
                <Labelled label={t('Name')}>
                    <input
                        autoFocus
                        value={code}
                        maxLength={60}
                        onChange={(event) => setCode(event.target.value)}
                        className={`${FIELD} w-44`}
                    />
                </Labelled>
            )}
            <Labelled label={t('What it is for')}>
                <input value={purpose} maxLength={190} onChange={(event) => setPurpose(event.target.value)} className={`${FIELD} w-full`} />
            </Labelled>
            <div className="flex gap-3">
                <Labelled label={t('Begins')}>
                    <DateField value={begins} onChange={setBegins} optional label={t('Begins')} />
                </Labelled>
                <Labelled label={t('Ends')}>
                    <DateField value={ends} onChange={setEnds} optional label={t('Ends')} />
                </Labelled>
            </div>
            <p className="text-sm text-mute">{t('Outside of these days nothing is typed. Empty leaves it open.')}</p>
            <div className="flex gap-2">
                <Button type="submit" look="act" disabled={code.trim() === ''}>
                    {t('Keep it')}
                </Button>
                {heading !== null && (
                    <Button
                        disabled={heading.isCounted}
                        title={heading.isCounted ? t('The live plan counts it.') : undefined}
                        onClick={() => setLeaving(true)}
                    >
                        {t('Take it away')}
                    </Button>
                )}
            </div>
            {leaving && heading && (
                <SureDialog
                    title={LEAVES}
                    lines={[t('Forecast :code with all its figures', { code: heading.code })]}
                    note="It can be taken back in the journal."
                    yes="Take it away"
                    onBack={() => setLeaving(false)}
                    onSure={() => {
                        setLeaving(false);
                        void edits.takeAway().then((done) => done && onDone(''));
                    }}
                />
            )}
        </Panel>
    );
}

interface CopyProps {
    forecasts: ForecastHeading[];
    forecast: string;
    rows: ForecastRow[];
    block: Block;
    edits: Edits;
    onClose: () => void;
}

/** Figures of another forecast, of a year before or of what was ordered then. */
export function CopyFigures({ forecasts, forecast, rows, block, edits, onClose }: CopyProps) {
    const others = forecasts.filter(({ code }) => code !== forecast);
    const [source, setSource] = useState<'forecast' | 'year' | 'ordered'>(others.length > 0 ? 'forecast' : 'year');
    const [from, setFrom] = useState(others[0]?.code ?? '');
    const [percent, setPercent] = useState('100');
    const [only, setOnly] = useState(false);
    const [told, setTold] = useState(false);
    const chosen = rows.slice(block.top, block.bottom + 1);
    const isWhole = /^\d{1,4}$/.test(percent) && Number(percent) >= 1 && Number(percent) <= 1000;
    const copy = () =>
        void edits
            .command('/demand/forecast/copy', {
                source,
                from: source === 'forecast' ? from : null,
                percent: Number(percent),
                points: only ? chosen.map(({ item, site }) => `${item}\u001f${site}`) : [],
            })
            .then(setTold);
    const sources = [
        { value: 'forecast' as const, label: t('Another forecast') },
        { value: 'year' as const, label: t('This forecast a year before') },
        { value: 'ordered' as const, label: t('What was ordered a year before') },
    ];
    return (
        <Panel title={t('Copy figures')} onClose={onClose} onSubmit={copy}>
            <fieldset>
                <legend className="text-xs text-mute">{t('From')}</legend>
                {sources.map(({ value, label }) => (
                    <label key={value} className="flex min-h-6 items-center gap-2">
                        <input
                            type="radio"
                            name="source"
                            checked={source === value}
                            disabled={value === 'forecast' && others.length === 0}
                            onChange={() => setSource(value)}
                        />
                        {label}
                    </label>
                ))}
            </fieldset>
            {source === 'forecast' && (
                <Labelled label={t('Forecast')}>
                    <select value={from} onChange={(event) => setFrom(event.target.value)} className={`${FIELD} w-44`}>
                        {others.map(({ code }) => (
                            <option key={code}>{code}</option>
                        ))}
                    </select>
                </Labelled>
            )}
            <Labelled label={t('Percent of its figures')}>
                <input
                    value={percent}
                    inputMode="numeric"
                    aria-invalid={!isWhole}
                    onChange={(event) => setPercent(event.target.value)}
                    className={`${FIELD} w-20 text-right`}
                />
            </Labelled>
            <label className="flex min-h-6 items-center gap-2">
                <input type="checkbox" checked={only} onChange={(event) => setOnly(event.target.checked)} />
                {tn('Only for the item that is chosen', 'Only for the :n items that are chosen', chosen.length)}
            </label>
            <p className="text-sm text-mute">
                {t('What stands in the open periods of these items is written over; Take back brings it back.')}
            </p>
            <Button type="submit" look="act" disabled={!isWhole || (source === 'forecast' && from === '')}>
                {t('Copy')}
            </Button>
            {told && <p role="status">{t('Copied.')}</p>}
        </Panel>
    );
}

interface AddProps {
    periods: ForecastPeriod[];
    bucket: string;
    edits: Edits;
    onClose: () => void;
}

/** An item that the forecast does not have yet. */
export function AddItem({ periods, bucket, edits, onClose }: AddProps) {
    const { site: own } = useShared();
    const [item, setItem] = useState('');
    const [site, setSite] = useState(own);
    const [size, setSize] = useState(bucket);
    const first = periods.find(({ isOpen }) => isOpen);
    const add = () =>
        first &&
        void edits.put([{ item: item.trim(), site: site.trim(), start: first.end, text: '' }], size).then((done) => done && setItem(''));
    return (
        <Panel title={t('Add an item')} onClose={onClose} onSubmit={() => add()}>
            <Labelled label={t('Item')}>
                <CodeField label={t('Item')} of="items" value={item} onChange={setItem} autoFocus className="w-44" />
            </Labelled>
            <Labelled label={t('Site')}>
                <CodeField label={t('Site')} of="sites" value={site} onChange={setSite} className="w-44" />
            </Labelled>
            <Labelled label={t('Kept in')}>
                <select value={size} onChange={(event) => setSize(event.target.value)} className={`${FIELD} w-32`}>
                    <option value="day">{t('Days')}</option>
                    <option value="week">{t('Weeks')}</option>
                    <option value="month">{t('Months')}</option>
                </select>
            </Labelled>
            {first === undefined && <p className="text-broken">{t('No period of this forecast can be typed any more.')}</p>}
            <Button type="submit" look="act" disabled={first === undefined || item.trim() === '' || site.trim() === ''}>
                {t('Add it')}
            </Button>
        </Panel>
    );
}
