import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { isMeant, keyOf, type Mark, markedBy, movedBetween } from '@/lib/board';
import { useDraft, type Change } from '@/lib/draft';
import { getJson, postJson } from '@/lib/http';
import type { BoardPage, BoardPick, BoardPlace, BoardPlaces, BoardTable } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useKept } from '@/lib/useKept';
import { useLoaded } from '@/lib/useLoaded';
import { usePageKeys } from '@/lib/usePageKeys';
import { BoardCanvas, type Move } from '@/pages/parts/BoardCanvas';
import { BoardList } from '@/pages/parts/BoardList';
import { BoardPanel } from '@/pages/parts/BoardPanel';
import { CapacityTabs } from '@/pages/parts/CapacityTabs';
import { WaitingRow } from '@/pages/parts/WaitingRow';

/** Pixels of a minute at which a week fills the board. */
const A_WEEK = 0.09;

const LOOK_EVERY = 4000;

type Way = 'push' | 'swap' | 'overlap';

/** The board of the shop: what runs when on which unit, with the draft; moved by mouse and by keys. */
export default function Board({ planned, of, may }: BoardPage) {
    const { plan, site } = useShared();
    const draft = useDraft();
    const [round, setRound] = useState(0);
    const [from, setFrom] = useState(0);
    const stamp = `${draft.stamp} ${plan.id} ${plan.changes} ${site} ${round}`;
    const { data: table, trouble } = useLoaded<BoardTable>(
        planned ? `/board/bars?${new URLSearchParams({ from: String(from) }).toString()}` : null,
        stamp,
    );
    const [scale, setScale] = useKept('board.scale', A_WEEK);
    const [picked, setPicked] = useState<{ of: string; op: number } | null>(of === '' ? null : { of, op: 0 });
    const [selected, setSelected] = useState<Set<string>>(new Set());
    const [mark, setMark] = useState<Mark>('late');
    const [way, setWay] = useState<Way>('push');
    const [text, setText] = useState('');
    const [list, setList] = useState(false);
    const [blocked, setBlocked] = useState<string | null>(null);
    const [go, setGo] = useState<{ minute: number; round: number } | null>(null);
    const pick = useLoaded<BoardPick>(picked ? `/board/pick?${new URLSearchParams({ of: picked.of }).toString()}` : null, stamp);
    const at = useMemo(() => placeOf(table, picked), [table, picked]);
    const { moved, told } = useOthers(table, draft.stamp, () => setRound((old) => old + 1));

    const orders = table?.orders ?? [];
    const own = orders.find((order) => order.of === picked?.of);
    const bright = useMemo(() => {
        const words = text.trim().toLowerCase();
        const marked = markedBy(mark, table?.orders ?? [], own);
        if (words === '' && marked === null) {
            return null;
        }
        return new Set(
            (table?.orders ?? [])
                .filter((order) => (words === '' || isMeant(order, words)) && (marked === null || marked.has(order.of)))
                .map((order) => order.of),
        );
    }, [text, mark, table, own]);
    const shown = pick.data?.order.of === picked?.of ? pick.data : null;
    const linked = useMemo(() => {
        const id = shown?.order.of ?? '';
        return [
            ...(shown?.waitsFor ?? []).flatMap((one) => (one.of === null ? [] : [{ from: one.of, to: id }])),
            ...(shown?.waited ?? []).flatMap((one) => (one.of === null ? [] : [{ from: id, to: one.of }])),
        ];
    }, [shown]);

    const askAll = (moves: Move[]) =>
        postJson<BoardPlaces>('/board/place', {
            way,
            moves: moves.map((move) => {
                const bar = table?.bars[move.bar];
                return {
                    of: (bar && table?.orders[bar.order]?.of) ?? '',
                    op: bar?.op ?? 0,
                    centre: table?.centres[move.lane.centre]?.code ?? '',
                    units: move.lane.units,
                    start: move.start,
                };
            }),
        });
    const ask = async (move: Move): Promise<BoardPlace> => {
        const { places } = await askAll([move]);
        return places[0] ?? { end: null, trouble: '', over: [] };
    };
    const put = async (moves: Move[]) => {
        setBlocked(null);
        try {
            const { places, changes } = await askAll(moves);
            const trouble = places.find((place) => place.trouble !== null)?.trouble;
            if (trouble) {
                setBlocked(t('It cannot stand there: :why. Nothing was moved.', { why: trouble }));
                return;
            }
            await draft.add(JSON.parse(changes) as Change[]);
        } catch (cause) {
            setBlocked(cause instanceof Error ? cause.message : null);
        }
    };
    const drop = (move: Move) => {
        const bar = table?.bars[move.bar];
        const key = keyOf(bar && table?.orders[bar.order], bar);
        // the others that are picked go along by as much, each on its own unit
        const along = (table?.bars ?? []).flatMap((one, place): Move[] => {
            const other = keyOf(table?.orders[one.order], one);
            return bar && other !== key && selected.has(key) && selected.has(other)
                ? [{ bar: place, lane: { centre: one.centre, units: one.units }, start: one.start + move.start - bar.start }]
                : [];
        });
        return put([move, ...along]);
    };
    const offBoard = () => {
        const code = picked?.of.startsWith('order:') ? picked.of.slice('order:'.length) : null;
        if (code === null) {
            setBlocked(t('A proposal has no place of its own that could be taken away.'));
        } else {
            void draft.add([{ change: 'take_off_board', order: code }]);
        }
    };
    const fix = () =>
        put(
            (table?.bars ?? []).flatMap((bar, place): Move[] =>
                table?.orders[bar.order]?.of === picked?.of && bar.place !== 'hand'
                    ? [{ bar: place, lane: { centre: bar.centre, units: bar.units }, start: bar.start }]
                    : [],
            ),
        );
    const choose = (place: number, more: boolean) => {
        const bar = table?.bars[place];
        const order = bar && table?.orders[bar.order];
        if (!bar || !order) {
            return;
        }
        const key = keyOf(order, bar);
        setSelected((old) => {
            if (!more) {
                return new Set([key]);
            }
            const next = new Set(old);
            if (!next.delete(key)) {
                next.add(key);
            }
            return next;
        });
        setPicked({ of: order.of, op: bar.op });
    };
    usePageKeys({ l: () => setList((old) => !old) });
    return (
        <div className="flex h-full min-h-0 flex-col">
            <PageHead title={t('Board')}>
                {table &&
                    `${tn('1 order', ':n orders', orders.length)}, ${tn('1 centre', ':n centres', table.centres.length)}; ${tn('1 late', ':n late', table.late)}`}
            </PageHead>
            <CapacityTabs on="board" />
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : (
                <>
                    <div className="mb-2 flex flex-wrap items-center gap-2">
                        <Zoom
                            scale={scale}
                            onScale={setScale}
                            onNow={() => setGo((old) => ({ minute: 0, round: (old?.round ?? 0) + 1 }))}
                        />
                        <PillSelect
                            label={t('Mark')}
                            value={mark}
                            onChange={(value) => setMark(value as Mark)}
                            choices={[
                                { value: 'late', label: t('Mark what is late') },
                                { value: 'order', label: t('Mark the same order') },
                                { value: 'customer', label: t('Mark the same customer') },
                                { value: 'family', label: t('Mark the same family') },
                            ]}
                        />
                        {may && (
                            <PillSelect
                                label={t('What is in the way')}
                                value={way}
                                onChange={(value) => setWay(value as Way)}
                                choices={[
                                    { value: 'push', label: t('In the way: push later') },
                                    { value: 'swap', label: t('In the way: swap places') },
                                    { value: 'overlap', label: t('In the way: off, to be scheduled') },
                                ]}
                            />
                        )}
                        <PillToggle on={list} onChange={setList}>
                            {t('As a list')}
                        </PillToggle>
                        <FindBox label={t('Find order, item, customer, family')} value={text} onChange={setText} />
                    </div>
                    {(blocked ?? trouble ?? pick.trouble) && (
                        <Notice tone="broken" onClose={() => setBlocked(null)}>
                            {blocked ?? trouble ?? pick.trouble}
                        </Notice>
                    )}
                    {table && list && (
                        <BoardList table={table} bright={bright} picked={picked?.of ?? null} onPick={(place) => choose(place, false)} />
                    )}
                    {table && !list && (
                        <>
                            <BoardCanvas
                                table={table}
                                scale={scale}
                                onScale={setScale}
                                picked={picked?.of ?? null}
                                at={at}
                                onPick={choose}
                                bright={bright}
                                linked={linked}
                                selected={selected}
                                moved={moved}
                                may={may && draft.may}
                                onTry={ask}
                                onDrop={(move) => void drop(move)}
                                onOff={offBoard}
                                go={go}
                            />
                            <WaitingRow
                                waiting={table.waiting}
                                count={table.waitingCount}
                                picked={picked?.of ?? null}
                                onPick={(id) => {
                                    setPicked({ of: id, op: 0 });
                                    setSelected(new Set());
                                }}
                                earlier={from > 0 ? () => setFrom(Math.max(0, from - 28)) : null}
                                later={() => setFrom(from + 28)}
                            />
                        </>
                    )}
                    {!table && !trouble && (
                        <p role="status" className="mt-4 text-mute">
                            {t('Laying out the shop ...')}
                        </p>
                    )}
                    {told && (
                        <p role="status" className="mt-1 text-sm font-semibold text-look-ink">
                            {told}
                        </p>
                    )}
                </>
            )}
            {picked && shown && (
                <Inspector label={t('The order that is picked')}>
                    <BoardPanel
                        pick={shown}
                        may={may && draft.may}
                        onGo={(id) => setPicked({ of: id, op: 0 })}
                        onFix={() => void fix()}
                        onOff={offBoard}
                        onClose={() => setPicked(null)}
                    />
                </Inspector>
            )}
        </div>
    );
}

function placeOf(table: BoardTable | null, picked: { of: string; op: number } | null): number {
    if (!table || !picked) {
        return -1;
    }
    const own = table.bars.findIndex((bar) => table.orders[bar.order]?.of === picked.of && (picked.op === 0 || bar.op === picked.op));
    return own;
}

/** Looks every few seconds whether somebody has changed what the board shows; what stands elsewhere then is outlined for a while. */
function useOthers(table: BoardTable | null, drafted: number, reload: () => void): { moved: Set<string>; told: string | null } {
    const [moved, setMoved] = useState<Set<string>>(new Set());
    const [told, setTold] = useState<string | null>(null);
    const before = useRef<{ table: BoardTable; drafted: number } | null>(null);
    const look = useEffectEvent(async () => {
        if (table && document.visibilityState === 'visible') {
            const { stamp } = await getJson<{ stamp: string }>('/board/look').catch(() => ({ stamp: table.stamp }));
            if (stamp !== table.stamp) {
                reload();
            }
        }
    });
    useEffect(() => {
        const timer = setInterval(() => void look(), LOOK_EVERY);
        return () => clearInterval(timer);
    }, []);
    const came = useEffectEvent((next: BoardTable) => {
        const old = before.current;
        before.current = { table: next, drafted };
        if (old && old.table.stamp !== next.stamp && old.table.from === next.from) {
            const changed = movedBetween(old.table, next);
            setMoved(changed);
            setTold(
                changed.size === 0
                    ? t('Something was changed meanwhile; nothing on the board stands elsewhere.')
                    : tn(
                          '1 operation was moved meanwhile; it is outlined.',
                          ':n operations were moved meanwhile; they are outlined.',
                          changed.size,
                      ),
            );
        }
    });
    useEffect(() => {
        if (table) {
            came(table);
        }
    }, [table]);
    useEffect(() => {
        const timer = setTimeout(() => {
            setTold(null);
            setMoved(new Set());
        }, 12_000);
        return () => clearTimeout(timer);
    }, [told]);
    return { moved, told };
}

function Zoom({ scale, onScale, onNow }: { scale: number; onScale: (scale: number) => void; onNow: () => void }) {
    const spans: { label: string; scale: number }[] = [
        { label: t('Day'), scale: 0.6 },
        { label: t('Week'), scale: A_WEEK },
        { label: t('Month'), scale: 0.022 },
        { label: t('Quarter'), scale: 0.0075 },
    ];
    const near = spans.reduce((best, one) => (Math.abs(Math.log(one.scale / scale)) < Math.abs(Math.log(best.scale / scale)) ? one : best));
    return (
        <div role="group" aria-label={t('How much time is in sight')} className="flex items-center gap-1.5">
            <Button className="!h-[27px] !rounded-full !px-3 text-sm" onClick={onNow}>
                {t('Now')}
            </Button>
            <div className="flex h-[27px] overflow-hidden rounded-full border border-line bg-surface text-sm">
                {spans.map((one) => (
                    <button
                        key={one.label}
                        type="button"
                        aria-pressed={one === near}
                        onClick={() => onScale(one.scale)}
                        className={`px-3 not-first:border-l not-first:border-line focus-visible:-outline-offset-2 ${one === near ? 'bg-act-tint font-semibold text-act-dark' : 'hover:bg-soft'}`}
                    >
                        {one.label}
                    </button>
                ))}
            </div>
        </div>
    );
}
