import { useState } from 'react';
import { Button } from '@/components/Button';
import { Ticks } from '@/components/Ticks';
import type { CodeAndName, ScheduleAsked } from '@/lib/shapes';
import { type Sentence, t } from '@/lib/t';

const RULES: [ScheduleAsked['rule'], Sentence][] = [
    ['due', 'The first due goes first'],
    ['priority', 'The most urgent goes first'],
    ['list', 'As orders are listed'],
    ['setup', 'Least setup'],
];

const DIRECTIONS: [ScheduleAsked['direction'], Sentence][] = [
    ['forward', 'As early as possible'],
    ['backward', 'As late as possible'],
];

const AIMS: [ScheduleAsked['aim'], Sentence][] = [
    ['late', 'Fewer days late'],
    ['makespan', 'An early end of all'],
];

interface Props {
    asked: ScheduleAsked;
    centres: CodeAndName[];
    busy: boolean;
    trouble: string | null;
    onStart: (wishes: ScheduleAsked) => void;
}

/** What a schedule is made by. */
export function ScheduleForm({ asked, centres, busy, trouble, onStart }: Props) {
    const [wishes, setWishes] = useState(asked);
    const [orders, setOrders] = useState(asked.orders?.join(' ') ?? '');
    const set = (more: Partial<ScheduleAsked>) => setWishes({ ...wishes, ...more });
    const chosen = wishes.centres ?? [];
    return (
        <form
            aria-label={t('How to schedule')}
            className="w-[248px] shrink-0 overflow-y-auto rounded border border-line bg-surface p-3.5"
            onSubmit={(event) => {
                event.preventDefault();
                const only = orders.split(/[\s,;]+/).filter((code) => code !== '');
                onStart({ ...wishes, centres: chosen.length === 0 ? null : chosen, orders: only.length === 0 ? null : only });
            }}
        >
            <Select label={t('Who goes first')} value={wishes.rule} choices={RULES} onChange={(rule) => set({ rule })} />
            {wishes.rule === 'setup' && (
                <Days label={t('among those due within')} value={wishes.setupWindow} onChange={(setupWindow) => set({ setupWindow })} />
            )}
            <Select label={t('When')} value={wishes.direction} choices={DIRECTIONS} onChange={(direction) => set({ direction })} />
            <fieldset className="mt-3">
                <legend className="text-xs font-bold text-mute">{t('What is scheduled')}</legend>
                <Days label={t('Proposals within')} value={wishes.proposalsDays} onChange={(proposalsDays) => set({ proposalsDays })} />
                <Days label={t('Kept in place for')} value={wishes.frozenDays} onChange={(frozenDays) => set({ frozenDays })} />
                <label className="mt-1.5 block text-sm">
                    {t('Only these orders')}
                    <input
                        value={orders}
                        onChange={(event) => setOrders(event.target.value)}
                        placeholder={t('all')}
                        className="mt-0.5 h-7 w-full rounded border border-line bg-surface px-1.5"
                    />
                </label>
                <details className="mt-1.5 text-sm" open={chosen.length > 0}>
                    <summary className="cursor-pointer">
                        {chosen.length === 0 ? t('At all work centres') : t('Only at :names', { names: chosen.join(', ') })}
                    </summary>
                    <Ticks
                        title={t('Only at these; what stands at others stays')}
                        all={centres.map((centre) => [centre.code, `${centre.code} ${centre.name}`])}
                        chosen={chosen}
                        onChange={(next) => set({ centres: next })}
                    />
                </details>
            </fieldset>
            <fieldset className="mt-3">
                <legend className="text-xs font-bold text-mute">{t('Improvement')}</legend>
                <Count
                    label={t('Steps at the most')}
                    most={1_000_000}
                    value={wishes.steps}
                    onChange={(steps) => set({ steps })}
                    unit={wishes.steps === 0 ? t('none') : ''}
                />
                {wishes.steps > 0 && (
                    <>
                        <Count
                            label={t('Seconds at the most')}
                            least={1}
                            most={1_500}
                            value={wishes.seconds}
                            onChange={(seconds) => set({ seconds })}
                            unit=""
                        />
                        <Select label={t('What it is for')} value={wishes.aim} choices={AIMS} onChange={(aim) => set({ aim })} />
                    </>
                )}
            </fieldset>
            {trouble && (
                <p role="alert" className="mt-2 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            <Button type="submit" look="act" disabled={busy} className="mt-3.5 w-full justify-center">
                {t('Schedule now')}
            </Button>
            <p className="mt-1.5 text-xs text-mute">{t('Orders stand where they are until you keep the result.')}</p>
        </form>
    );
}

function Select<Value extends string>({
    label,
    value,
    choices,
    onChange,
}: {
    label: string;
    value: Value;
    choices: [Value, Sentence][];
    onChange: (value: Value) => void;
}) {
    return (
        <label className="mt-2 block text-xs font-bold text-mute first:mt-0">
            {label}
            <select
                value={value}
                onChange={(event) => {
                    const next = choices.find(([choice]) => choice === event.target.value);
                    if (next) {
                        onChange(next[0]);
                    }
                }}
                className="mt-0.5 h-7 w-full rounded border border-line bg-surface px-1.5 text-sm font-normal text-ink"
            >
                {choices.map(([choice, said]) => (
                    <option key={choice} value={choice}>
                        {t(said)}
                    </option>
                ))}
            </select>
        </label>
    );
}

function Days({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
    return <Count label={label} most={3_650} value={value} onChange={onChange} unit={t('days')} />;
}

function Count({
    label,
    value,
    least = 0,
    most,
    unit,
    onChange,
}: {
    label: string;
    value: number;
    least?: number;
    most: number;
    unit: string;
    onChange: (value: number) => void;
}) {
    return (
        <label className="mt-1 grid min-h-7 grid-cols-[1fr_64px_32px] items-center gap-1.5 text-sm">
            {label}
            <input
                type="number"
                required
                min={least}
                max={most}
                step={1}
                value={Number.isNaN(value) ? '' : value}
                onChange={(event) => onChange(event.target.valueAsNumber)}
                className="h-7 w-full rounded border border-line bg-surface px-1.5 text-right"
            />
            <span className="text-mute">{unit}</span>
        </label>
    );
}
