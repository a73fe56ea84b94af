import { router } from '@inertiajs/react';
import { useCallback, useMemo, useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { WhatCame } from '@/components/WhatCame';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { grouped } from '@/lib/digits';
import { day } from '@/lib/format';
import { freshKey, getJson, postJson } from '@/lib/http';
import type {
    ConversionDelays,
    Converted,
    ProposalDetail,
    ProposalGroup,
    ProposalRow,
    ProposalRows,
    ProposalsPage,
    Told,
} from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';
import { SureDialog } from '@/components/SureDialog';
import { DelayDialog } from '@/pages/parts/DelayDialog';
import { ConvertBar } from '@/pages/parts/ConvertBar';
import { mergedOf, type Merged, underOne } from '@/pages/parts/proposalSums';
import { MadeOrders } from '@/pages/parts/MadeOrders';
import { ProposalPanel } from '@/pages/parts/ProposalPanel';
import { ProposalTable, type Edit } from '@/pages/parts/ProposalTable';
import { CONVERT_RIGHTS } from '@/lib/words';
import { useCommand } from '@/lib/useCommand';
import { useKept } from '@/lib/useKept';
import { usePageKeys } from '@/lib/usePageKeys';
import { usePreview } from '@/lib/usePreview';
import { useSettled } from '@/lib/useSettled';

const PAUSE = 250;

/** What the person has said to a conversion: the quantities are meant, it may delay others, and what is taken along. */
interface Conversion {
    sure?: boolean;
    agreed?: boolean;
    along?: number[];
}

export default function Proposals({ run, groups: first, total, shown, passed, today, resting, until, filter, views }: ProposalsPage) {
    const { plan, user } = useShared();
    const [picked, setPicked] = useState<ReadonlySet<number>>(new Set());
    const [edits, setEdits] = useState<ReadonlyMap<number, Edit>>(new Map());
    const [open, setOpen] = useState<number | null>(filter.open ? Number(filter.open) : null);
    const [key, setKey] = useState(freshKey);
    const [restKey, setRestKey] = useState(freshKey);
    const [absurd, setAbsurd] = useState<string[] | null>(null);
    const [meant, setMeant] = useState(false);
    const [delays, setDelays] = useState<ConversionDelays | null>(null);
    const change = (changes: Record<string, string>) => refilter('/proposals', { ...filter, open: '' }, changes, { by: 'supplier' });
    const loaded = useMoreRows(
        '/proposals/rows',
        filter,
        first,
        shown,
        (answer: ProposalRows) => answer.groups,
        (group: ProposalGroup) => group.rows.length,
    );
    const groups = useMemo(() => underOne(loaded.rows), [loaded.rows]);
    const [found, setFound] = useState<ProposalRow[]>([]);
    const rows = useMemo(
        () => new Map([...found, ...groups.flatMap((group) => group.rows)].map((row) => [row.number, row])),
        [groups, found],
    );
    const chosen = useMemo(
        () => [...picked].map((number) => rows.get(number)).filter((row): row is ProposalRow => row !== undefined),
        [picked, rows],
    );
    const mayConvert = useCallback(
        (row: ProposalRow) => plan.study === null && user.can.includes(CONVERT_RIGHTS[row.kind]),
        [user.can, plan.study],
    );
    const ready = useCommand(
        () => getJson<ProposalRow[]>('/proposals/ready', { until: filter.until ?? 'week', q: filter.q ?? '' }),
        (some) => {
            setFound(some);
            setPicked(new Set(some.filter(mayConvert).map((row) => row.number)));
        },
    );
    const [asking, setAsking] = useState(false);
    const [handOver, setHandOver] = useKept('proposals.handOver', false);
    const [note, setNote] = useState('');
    const wish = useMemo(() => {
        const numbers = [...new Set([...chosen.map((row) => row.number), ...edits.keys()])];
        const lines = numbers.map((number) => ({ number, ...edits.get(number) }));
        return lines.length === 0 || run === null
            ? ''
            : JSON.stringify({ run, picked: chosen.map((row) => row.number), ...(handOver && { handOver }), lines });
    }, [chosen, edits, run, handOver]);
    const { preview, isFresh, trouble: previewTrouble } = usePreview(wish);
    const isReady = isFresh && preview?.lines.every((line) => line.trouble === null) === true;
    const typed = useSettled((open === null ? undefined : edits.get(open)?.qty) ?? '', PAUSE);
    const { data, trouble: panelTrouble } = useLoaded<ProposalDetail>(
        open === null ? null : `/proposals/${open}${typed === '' ? '' : `?${new URLSearchParams({ qty: typed })}`}`,
        plan.id,
    );

    const worth = useMemo(() => new Map(preview?.lines.map((line) => [line.number, line])), [preview]);

    const conversion = useCommand(
        ({ sure = false, agreed = false, along = [] }: Conversion) => {
            const numbers = new Set([...chosen.map((row) => row.number), ...along]);
            const lines = [...numbers].map((number) => ({ number, ...edits.get(number) }));
            return postJson<Converted>('/proposals/convert', { run, key, sure, agreed, ...(handOver && { handOver, note }), lines });
        },
        (_, { along = [] }) => {
            setOpen((shownNow) => (shownNow !== null && (picked.has(shownNow) || along.includes(shownNow)) ? null : shownNow));
            setPicked(new Set());
            setEdits(new Map());
            setAsking(false);
            setNote('');
            setKey(freshKey());
            router.reload();
        },
        ({ reason, details }, { sure = false }) => {
            if (reason === 'absurd') {
                setAbsurd((details.lines as string[] | undefined) ?? []);
                return true;
            }
            if (reason === 'delays') {
                setDelays(details as unknown as ConversionDelays);
                setMeant(sure); // whoever is asked about delays has already said that the quantities are meant
                return true;
            }
            if (reason === 'converted' || reason === 'stale') {
                setPicked(new Set());
                router.reload();
            }
            return false;
        },
    );
    const { answer: made, trouble, busy } = conversion;
    const rests = filter.rest === '1';
    const putOff = useCommand(
        (wish: { until: string; reason: string } | null) =>
            postJson<Told>(wish === null ? '/proposals/take-up' : '/proposals/put-off', {
                run,
                key: restKey,
                numbers: chosen.map((row) => row.number),
                ...wish,
            }),
        () => {
            setOpen(null);
            setPicked(new Set());
            setRestKey(freshKey());
            router.reload();
        },
    );
    const convert = (wish: Conversion = {}) => {
        if (chosen.length > 0 && run !== null) {
            setAbsurd(null);
            setDelays(null);
            conversion.send(wish);
        }
    };
    // What it will do is shown first; only then the same key, or the button, does it.
    const forward = () => {
        if (rests) {
            return;
        }
        if (!asking) {
            setAsking(chosen.length > 0);
        } else if (isReady) {
            convert();
        }
    };
    usePageKeys({ c: forward, ...(asking && { escape: () => setAsking(false) }) });

    const pick = (numbers: number[], on: boolean) => {
        const next = new Set(picked);
        numbers.forEach((number) => (on ? next.add(number) : next.delete(number)));
        setPicked(next);
        setAsking(asking && next.size > 0);
    };
    const edit = (number: number, changes: Edit) => {
        const merged = { ...edits.get(number), ...changes };
        if (merged.qty === undefined) {
            merged.rest = undefined; // there is one only where less is ordered
        }
        const kept = Object.fromEntries(Object.entries(merged).filter(([, value]) => value !== undefined)) as Edit;
        const next = new Map(edits);
        if (Object.keys(kept).length === 0) {
            next.delete(number);
        } else {
            next.set(number, kept);
        }
        setEdits(next);
    };

    const merged = useMemo(() => mergedOf(chosen, edits), [chosen, edits]);
    const merge = (one: Merged) => {
        const next = new Map(edits);
        one.quantities.forEach((qty, number) => next.set(number, { ...next.get(number), qty }));
        one.rest.forEach((number) => next.delete(number));
        setEdits(next);
        pick(one.rest, false);
    };

    return (
        <>
            <PageHead title={t('Proposals')}>
                {t(':total open, :passed past their date to start, :today to order or start today', {
                    total: grouped(total),
                    passed: grouped(passed),
                    today: grouped(today),
                })}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Grouped')}
                    value={filter.by ?? 'supplier'}
                    onChange={(by) => change({ by })}
                    choices={[
                        { value: 'supplier', label: t('By supplier') },
                        { value: 'item', label: t('By item') },
                        { value: 'date', label: t('By date to start') },
                    ]}
                />
                <PillSelect
                    label={t('To start by')}
                    value={filter.until ?? 'week'}
                    onChange={(value) => change({ until: value })}
                    choices={[
                        {
                            value: 'week',
                            label: until && filter.until === 'week' ? t('This week, to :day', { day: day(until) }) : t('This week'),
                        },
                        { value: 'today', label: t('Today or before') },
                        { value: 'fortnight', label: t('Two weeks') },
                        { value: 'all', label: t('All') },
                    ]}
                />
                {run !== null && !rests && (
                    <Button look="quiet" className="!h-[27px]" disabled={ready.busy} onClick={() => ready.send(undefined)}>
                        {t('Pick all without trouble')}
                    </Button>
                )}
                {(resting > 0 || rests) && (
                    <PillToggle on={rests} onChange={(on) => change({ rest: on ? '1' : '' })}>
                        {tn('1 put off', ':n put off', resting)}
                    </PillToggle>
                )}
                <SavedViews page="proposals" path="/proposals" views={views} filter={{ ...filter, open: '' }} />
                <span className="order-last">
                    <ExportLink list="proposals" params={{ q: filter.q ?? '', until: until ?? '', rest: filter.rest }} />
                </span>
                <FindBox label={t('Find an item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {ready.answer !== null && ready.answer.length === 0 && (
                <Notice tone="done" onClose={ready.clear}>
                    {t('Nothing is due in that time that has no trouble of its own.')}
                </Notice>
            )}
            {made && <MadeOrders message={made.message} orders={made.orders} onClose={conversion.clear} />}
            {trouble && (
                <Notice tone="broken" onClose={conversion.clear}>
                    {trouble}
                </Notice>
            )}
            {run === null && (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; what to order will stand here.')}</Empty>
            )}
            <WhatCame of={putOff} />
            {run !== null && groups.length === 0 && (
                <Empty title={rests ? t('Nothing of it rests') : t('No proposal is due')}>
                    {rests
                        ? t('What somebody puts off stands here until its day comes.')
                        : total > 0
                          ? t(':n more start later. Choose a longer time to see them.', { n: total })
                          : t('Everything that is needed is on order.')}
                </Empty>
            )}
            {groups.length > 0 && (
                <ProposalTable
                    groups={groups}
                    by={filter.by ?? 'supplier'}
                    picked={picked}
                    edits={edits}
                    worth={worth}
                    open={open}
                    mayConvert={mayConvert}
                    onPick={pick}
                    onEdit={edit}
                    onOpen={setOpen}
                    total={shown}
                    more={loaded.more}
                    order={{ by: filter.sort ?? '', onChange: (sort) => change({ sort }) }}
                />
            )}
            {loaded.trouble && <p className="mt-2 text-broken">{loaded.trouble}</p>}
            {chosen.length > 0 && rests && (
                <div className="sticky -bottom-4 z-20 mt-auto bg-paper pt-3 pb-4">
                    <div className="flex items-center gap-4 rounded bg-ink px-4 py-2 text-surface">
                        <strong>{t(':n picked', { n: chosen.length })}</strong>
                        <span className="ml-auto">
                            <Button disabled={putOff.busy} onClick={() => putOff.send(null)}>
                                {t('Take up again')}
                            </Button>
                        </span>
                    </div>
                </div>
            )}
            {chosen.length > 0 && !rests && (
                <ConvertBar
                    count={chosen.length}
                    preview={preview}
                    isReady={isReady}
                    trouble={previewTrouble}
                    asking={asking}
                    handOver={
                        chosen.some((row) => row.kind === 'buy') ? { on: handOver, onChange: setHandOver, note, onNote: setNote } : null
                    }
                    busy={busy || putOff.busy}
                    onForward={forward}
                    onBack={() => setAsking(false)}
                    onClear={() => pick([...picked], false)}
                    onMerge={merged === null ? null : () => merge(merged)}
                    onPutOff={(day, reason) => putOff.send({ until: day, reason })}
                />
            )}
            {absurd && (
                <SureDialog
                    lines={absurd}
                    note="Nothing has been ordered yet."
                    yes="Order it so"
                    onSure={() => convert({ sure: true })}
                    onBack={() => setAbsurd(null)}
                />
            )}
            {delays && (
                <DelayDialog
                    delays={delays}
                    onAlong={() => convert({ sure: meant, agreed: delays.left > 0, along: delays.along.map((row) => row.number) })}
                    onSure={() => convert({ sure: meant, agreed: true })}
                    onBack={() => setDelays(null)}
                />
            )}
            {open !== null && (
                <Inspector label={t('Proposal')}>
                    {panelTrouble && <p className="text-mute">{panelTrouble}</p>}
                    {data && (
                        <ProposalPanel
                            key={data.row.number}
                            detail={data}
                            edit={edits.get(data.row.number)}
                            mayConvert={mayConvert(data.row)}
                            mayMake={(kind) => user.can.includes(CONVERT_RIGHTS[kind])}
                            onEdit={(changes) => edit(data.row.number, changes)}
                            onClose={() => setOpen(null)}
                        />
                    )}
                </Inspector>
            )}
            <p className="sr-only" aria-live="polite">
                {chosen.length > 0 ? tn('1 proposal picked', ':n proposals picked', chosen.length) : ''}
            </p>
        </>
    );
}
