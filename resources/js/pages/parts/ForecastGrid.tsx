import { useEffect, useMemo, useRef, type ClipboardEvent, type KeyboardEvent } from 'react';
import { readBlock, writeBlock } from '@/lib/blocks';
import type { ForecastPeriod, ForecastRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { swapped } from '@/lib/digits';
import { t, type Sentence } from '@/lib/t';
import { useGridKeys, type Place } from '@/lib/useGridKeys';
import { useInSight } from '@/lib/useInSight';
import { useOnceLoaded } from '@/lib/useOnceLoaded';
import { useSelection, type Block } from '@/lib/useSelection';
import { ForecastLines, HEAD, LABEL, left, WIDTH } from '@/pages/parts/ForecastCells';
import { useColumns } from '@/lib/useColumns';
import { ForecastTools } from '@/pages/parts/ForecastTools';
import { commandOf, headOf } from '@/pages/parts/forecastWords';
import { cellKey, type Edit, type useForecastEdits } from '@/pages/parts/useForecastEdits';

const WIDTHS = { before: HEAD + LABEL, column: WIDTH };

const HEIGHTS = { heading: 73, row: 73, heads: 25, from: 14 };

const HOW: Sentence =
    'Arrow keys move, with Shift they choose. Enter takes what was typed and goes down, Ctrl+Enter puts it into all that is chosen, Esc puts the old figure back. Blocks are copied from and to spreadsheets.';

interface Props {
    periods: ForecastPeriod[];
    bucket: string;
    total: number;
    more: (() => void) | null;
    edits: ReturnType<typeof useForecastEdits>;
    /** The item whose cell has the focus is another one. */
    onItem: (row: ForecastRow) => void;
    /** Other cells are chosen. */
    onBlock: (block: Block) => void;
}

/**
 * A forecast, item by period: what is forecast, what orders consume of it, what is left. Figures are typed, pasted in blocks, filled to the
 * right, changed by a percentage, and taken back.
 */
export function ForecastGrid({ periods, bucket, total, more, edits, onItem, onBlock }: Props) {
    const { plan, user } = useShared();
    const { rows } = edits;
    const mayType = user.can.includes('edit forecast');
    const grid = useRef<HTMLDivElement>(null);
    const percent = useRef<HTMLInputElement>(null);
    const lines = useMemo(() => rows.map((row) => ({ row })), [rows]);
    const sight = useInSight(grid, lines, more, HEIGHTS);
    const today = periods.findIndex(({ end }) => end >= plan.planDate);
    const columns = useColumns(grid, periods.length, today, WIDTHS);
    const keys = useGridKeys(grid, {
        rows: rows.length,
        columns: periods.length,
        start: [0, Math.max(0, today)],
        reveal: (row, column) => {
            sight.reveal(row);
            columns.reveal(column);
        },
    });
    const selection = useSelection(keys.at, keys.moveTo);
    const { focus } = sight;
    const { focus: focusColumn } = columns;
    const [row, column] = keys.at;
    const { block } = selection;
    useEffect(() => {
        focus(row);
        focusColumn(column);
    }, [focus, row, column, focusColumn]);
    const at = rows[row];
    useEffect(() => {
        if (at) {
            onItem(at);
        }
    }, [at, onItem]);

    const { top, left: from, bottom, right } = block;
    useEffect(() => onBlock({ top, left: from, bottom, right }), [onBlock, top, from, bottom, right]);

    const isOpen = (place: Place) => mayType && rows[place[0]]?.isTyped === true && periods[place[1]]?.isOpen === true;
    const edit = ([row, column]: Place, text: string): Edit[] => {
        const [on, when] = [rows[row], periods[column]];
        return on && when ? [{ item: on.item, site: on.site, start: when.start, text }] : [];
    };
    /** The places of a block that can be typed in. */
    const openOf = ({ top, left, bottom, right }: Block): Place[] => {
        const places: Place[] = [];
        for (let row = top; row <= bottom; row++) {
            for (let column = left; column <= right; column++) {
                if (isOpen([row, column])) {
                    places.push([row, column]);
                }
            }
        }
        return places;
    };
    const inAll = (text: string) => {
        const places = openOf(block);
        if (places.length === 0) {
            edits.say(t('Nothing of this can be typed.'));
        } else {
            void edits.put(places.flatMap((place) => edit(place, text)));
        }
    };
    const shown = ([row, column]: Place): string => {
        const on = rows[row];
        return edits.pending.get(cellKey(on?.item ?? '', on?.site ?? '', periods[column]?.start ?? '')) ?? on?.qty[column] ?? '';
    };
    const fillRight = () =>
        block.right > block.left &&
        void edits.put(
            openOf({ ...block, left: block.left + 1 }).flatMap(([row, column]) => edit([row, column], shown([row, block.left]))),
        );
    const copied = () => {
        const cells: string[][] = [];
        for (let row = block.top; row <= block.bottom; row++) {
            cells.push(rows[row]?.qty.slice(block.left, block.right + 1) ?? []);
        }
        return writeBlock(cells);
    };
    const paste = useOnceLoaded(rows.length, total, more, (cells: string[][]) => {
        const [high, wide] = [cells.length, Math.max(...cells.map((row) => row.length))];
        // one cell goes into all that are chosen; a block from the first of them on
        if (high === 1 && wide === 1) {
            inAll(cells[0]?.[0] ?? '');
            return;
        }
        const to = { top: block.top, left: block.left, bottom: block.top + high - 1, right: block.left + wide - 1 };
        if (to.right >= periods.length || to.bottom >= rows.length) {
            edits.say(
                t('The block is :high by :wide, and from here on there is room for :rows by :columns. Nothing was pasted.', {
                    high,
                    wide,
                    rows: rows.length - to.top,
                    columns: periods.length - to.left,
                }),
            );
            return;
        }
        const places = openOf(to);
        const missed = cells.reduce((sum, row) => sum + row.length, 0) - places.length;
        if (missed > 0) {
            edits.say(
                t(':n of these cells cannot be typed in: they have passed, or are kept otherwise. Nothing was pasted.', { n: missed }),
            );
            return;
        }
        void edits.put(places.flatMap(([row, column]) => edit([row, column], cells[row - to.top]?.[column - to.left] ?? '')));
        selection.take(to);
    });

    const isTyping = (target: EventTarget) => (target as HTMLElement).dataset.typing === '1';
    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        const typing = isTyping(event.target);
        const command = commandOf(event);
        if (event.key === 'Enter') {
            event.preventDefault();
            if (event.ctrlKey) {
                inAll((event.target as HTMLInputElement).value.trim());
                return;
            }
            selection.moved({ shiftKey: false });
            keys.moveTo([Math.max(0, Math.min(rows.length - 1, row + (event.shiftKey ? -1 : 1))), column]);
        } else if (typing) {
            if (!['ArrowLeft', 'ArrowRight', 'Home', 'End'].includes(event.key)) {
                keys.onKeyDown(event);
            }
        } else if (command && mayType) {
            event.preventDefault();
            event.stopPropagation(); // the draft has keys of the same name
            const does: Record<typeof command, () => void> = {
                clear: () => inAll(''),
                fill: fillRight,
                percent: () => percent.current?.focus(),
                undo: () => edits.undo?.(),
                redo: () => edits.redo?.(),
            };
            does[command]();
        } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
            event.preventDefault();
            selection.all(rows.length, periods.length);
        } else {
            if (event.key.startsWith('Arrow') || ['Home', 'End', 'PageUp', 'PageDown'].includes(event.key)) {
                selection.moved(event);
            }
            selection.onKeyDown(event);
            keys.onKeyDown(event);
        }
    };
    const onClip = (event: ClipboardEvent<HTMLDivElement>) => {
        if (isTyping(event.target)) {
            return;
        }
        event.preventDefault();
        event.clipboardData.setData('text/plain', swapped(copied()));
        if (event.type === 'cut' && mayType) {
            inAll('');
        }
    };
    const onPaste = (event: ClipboardEvent<HTMLDivElement>) => {
        const text = event.clipboardData.getData('text/plain');
        if (mayType && text !== '' && (!isTyping(event.target) || /[\t\n]/.test(text.trim()))) {
            event.preventDefault();
            const cells = readBlock(swapped(text));
            paste(block.top + cells.length, cells);
        }
    };
    const width = HEAD + LABEL + periods.length * WIDTH;
    return (
        <>
            {edits.said}
            {mayType && (
                <ForecastTools
                    block={block}
                    rows={rows}
                    edits={edits}
                    percent={percent}
                    onFill={fillRight}
                    onPercent={inAll}
                    onBack={() => keys.moveTo(keys.at)}
                />
            )}
            <div
                ref={grid}
                data-scrolls
                role="grid"
                aria-label={t('Forecast by item and period')}
                aria-rowcount={3 * total + 1}
                aria-colcount={periods.length + 1}
                aria-multiselectable
                onKeyDown={onKey}
                onFocus={keys.onFocus}
                onCopy={onClip}
                onCut={onClip}
                onPaste={onPaste}
                className="min-h-0 overflow-auto rounded border border-line bg-surface text-sm"
                style={{ scrollPaddingLeft: HEAD + LABEL + 4 }}
            >
                <div
                    role="row"
                    aria-rowindex={1}
                    className="sticky top-0 z-20 h-[25px] border-b border-line bg-surface text-xs font-semibold text-mute"
                    style={{ width }}
                >
                    <div
                        role="columnheader"
                        className="sticky left-0 z-10 flex h-full items-center bg-surface px-3"
                        style={{ width: HEAD + LABEL }}
                    >
                        {t('Item')}
                    </div>
                    {columns.drawn.map((column) => {
                        const start = periods[column]?.start ?? '';
                        return (
                            <div
                                key={start}
                                role="columnheader"
                                aria-colindex={column + 2}
                                className={`absolute top-0 flex h-full items-center justify-end pr-2 ${column === today ? 'text-ink' : ''} ${column < today ? 'font-normal' : ''}`}
                                style={{ width: WIDTH, left: left(column) }}
                            >
                                {headOf(start, bucket, plan.planDate)}
                            </div>
                        );
                    })}
                </div>
                <div aria-hidden style={{ height: sight.above }} />
                {sight.drawn.map(({ row: on }, place) => {
                    const index = sight.places[place] ?? 0;
                    return (
                        <ForecastLines
                            key={`${on.item} ${on.site}`}
                            row={on}
                            index={index}
                            width={width}
                            periods={periods}
                            bucket={bucket}
                            columns={columns.drawn}
                            today={today}
                            block={index >= block.top && index <= block.bottom ? block : null}
                            pending={edits.pending}
                            mayType={mayType}
                            onSave={(column, text) => void edits.put(edit([index, column], text))}
                            onPointerDown={selection.onPointerDown}
                            onPointerEnter={selection.onPointerEnter}
                        />
                    );
                })}
                <div aria-hidden style={{ height: sight.below }} />
            </div>
            <p className="mt-1.5 text-xs text-mute">
                {!mayType
                    ? t('You may look at the forecast but not change it.')
                    : rows.every((one) => !one.isTyped)
                      ? t('These figures are kept in other periods and shared out over working days; show those to type.')
                      : t(HOW)}
            </p>
        </>
    );
}
