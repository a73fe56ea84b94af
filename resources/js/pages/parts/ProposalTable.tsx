import { CauseStrip } from '@/components/CauseStrip';
import { day, inDays, qty } from '@/lib/format';
import type { ProposalGroup, ProposalRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { moveAmongRows } from '@/lib/useRowKeys';

/** What someone changed of a proposal before converting it. */
export interface Edit {
    qty?: string;
    due?: string;
    supplier?: string;
}

interface Props {
    groups: ProposalGroup[];
    by: string;
    picked: ReadonlySet<number>;
    edits: ReadonlyMap<number, Edit>;
    open: number | null;
    mayConvert: (row: ProposalRow) => boolean;
    onPick: (numbers: number[], on: boolean) => void;
    onEdit: (number: number, edit: Edit) => void;
    onOpen: (number: number) => void;
}

/** Proposals under headings; ticked ones are converted together. Space ticks a row, Enter opens it. */
export function ProposalTable({ groups, by, picked, edits, open, mayConvert, onPick, onEdit, onOpen }: Props) {
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-xs text-mute">
                        <th scope="col" className="w-[32px]">
                            <span className="sr-only">{t('Picked')}</span>
                        </th>
                        <th scope="col" className="py-1.5 text-left">
                            {t('Item')}
                        </th>
                        <th scope="col" className="w-[96px] text-right">
                            {t('Quantity')}
                        </th>
                        <th scope="col" className="w-[78px] text-right">
                            {t('Start by')}
                        </th>
                        <th scope="col" className="w-[78px] text-right">
                            {t('Wanted')}
                        </th>
                        <th scope="col" className="w-[92px] pl-3 text-left">
                            {t('When')}
                        </th>
                        <th scope="col" className="w-[52px] text-left">
                            {t('For')}
                        </th>
                        <th scope="col" className="w-[96px]" />
                        <th scope="col" className={`pr-3 text-right ${by === 'supplier' ? 'w-[56px]' : 'w-[84px]'}`}>
                            {t('Value')}
                        </th>
                    </tr>
                </thead>
                {groups.map((group) => (
                    <Group
                        key={group.key}
                        group={group}
                        by={by}
                        picked={picked}
                        edits={edits}
                        open={open}
                        mayConvert={mayConvert}
                        onPick={onPick}
                        onEdit={onEdit}
                        onOpen={onOpen}
                    />
                ))}
            </table>
        </div>
    );
}

function Group({ group, by, picked, edits, open, mayConvert, onPick, onEdit, onOpen }: Omit<Props, 'groups'> & { group: ProposalGroup }) {
    const allowed = group.rows.filter(mayConvert).map((row) => row.number);
    const all = allowed.length > 0 && allowed.every((number) => picked.has(number));
    const some = allowed.some((number) => picked.has(number));
    return (
        <tbody>
            <tr className="h-[34px] bg-sunk">
                <td className="text-center">
                    {allowed.length > 0 && (
                        <input
                            type="checkbox"
                            aria-label={t('All of {group}', { group: group.title })}
                            checked={all}
                            ref={(box) => {
                                if (box) {
                                    box.indeterminate = some && !all;
                                }
                            }}
                            onChange={() => onPick(allowed, !all)}
                            className="size-[15px] align-middle accent-act"
                        />
                    )}
                </td>
                <th scope="rowgroup" colSpan={7} className="truncate text-left">
                    {group.title}{' '}
                    <span className="ml-1 font-normal text-mute">
                        {group.note}
                        {group.value && group.currency && `, ${t('in {currency}', { currency: group.currency })}`}
                    </span>
                </th>
                <td className="pr-3 text-right whitespace-nowrap">{group.value && qty(group.value)}</td>
            </tr>
            {group.rows.map((row) => (
                <Row
                    key={row.number}
                    row={row}
                    by={by}
                    picked={picked.has(row.number)}
                    edit={edits.get(row.number)}
                    isOpen={open === row.number}
                    may={mayConvert(row)}
                    onPick={onPick}
                    onEdit={onEdit}
                    onOpen={onOpen}
                />
            ))}
        </tbody>
    );
}

interface RowProps {
    row: ProposalRow;
    by: string;
    picked: boolean;
    edit: Edit | undefined;
    isOpen: boolean;
    may: boolean;
    onPick: Props['onPick'];
    onEdit: Props['onEdit'];
    onOpen: Props['onOpen'];
}

function Row({ row, by, picked, edit, isOpen, may, onPick, onEdit, onOpen }: RowProps) {
    const passed = row.daysToStart < 0;
    return (
        <tr
            data-row
            tabIndex={0}
            aria-selected={isOpen}
            onClick={() => onOpen(row.number)}
            onFocus={(event) => event.target === event.currentTarget && onOpen(row.number)}
            onKeyDown={(event) => {
                if (event.key === ' ' && event.target === event.currentTarget && may) {
                    event.preventDefault();
                    onPick([row.number], !picked);
                } else if (event.key === 'Enter' && event.target === event.currentTarget) {
                    event.currentTarget.querySelector<HTMLInputElement>('input[inputmode]')?.focus();
                }
            }}
            className={`h-8 border-b border-soft -outline-offset-2 last:border-0 ${isOpen ? 'bg-act-tint' : 'hover:bg-act-tint/50'}`}
        >
            <td className="text-center">
                {may && (
                    <input
                        type="checkbox"
                        tabIndex={-1}
                        aria-label={t('Pick proposal {number}, {item}', { number: row.number, item: row.item })}
                        checked={picked}
                        onClick={(event) => event.stopPropagation()}
                        onChange={() => onPick([row.number], !picked)}
                        className="size-[15px] align-middle accent-act"
                    />
                )}
            </td>
            <td className="truncate pr-2" title={`${row.item} ${row.name}, ${row.site}`}>
                <span className="font-bold">{row.item}</span> <span className="text-mute">{row.name}</span>
                {by !== 'supplier' && <span className="text-mute"> · {row.kind === 'buy' ? row.supplierName : row.site}</span>}
            </td>
            <td className="text-right whitespace-nowrap">
                <QuantityCell row={row} edit={edit} may={may} onEdit={onEdit} />
            </td>
            <td className={`text-right whitespace-nowrap ${passed ? 'font-semibold text-broken' : ''}`}>{day(row.start)}</td>
            <td className="text-right whitespace-nowrap">{day(row.wanted)}</td>
            <td className={`truncate pl-3 ${passed ? 'font-semibold text-broken' : ''}`}>
                {row.waitsFor && !passed ? (
                    <span className="font-semibold text-look-ink">{t('waits for {item}', { item: row.waitsFor })}</span>
                ) : (
                    inDays(row.daysToStart)
                )}
            </td>
            <td>
                <CauseStrip causes={row.causes} />
            </td>
            <td className="truncate" title={row.purpose}>
                {row.purpose}
            </td>
            <td className="pr-3 text-right whitespace-nowrap">
                {row.value && qty(row.value)}
                {row.value && by !== 'supplier' && <span className="text-mute"> {row.currency}</span>}
            </td>
        </tr>
    );
}

/** The proposed quantity, to be typed over. What was typed is marked, with the old figure beside it; emptying or Esc brings that back. */
function QuantityCell({ row, edit, may, onEdit }: { row: ProposalRow; edit: Edit | undefined; may: boolean; onEdit: Props['onEdit'] }) {
    if (!may) {
        return (
            <>
                {qty(row.qty, row.decimals)} <span className="text-mute">{row.unit}</span>
            </>
        );
    }
    const typed = edit?.qty;
    return (
        <span className="inline-flex items-center gap-1">
            {typed !== undefined && <s className="text-mute">{qty(row.qty, row.decimals)}</s>}
            <input
                inputMode="decimal"
                tabIndex={-1}
                aria-label={t('Quantity of {item}', { item: row.item })}
                value={typed ?? row.qty}
                onClick={(event) => event.stopPropagation()}
                onFocus={(event) => event.target.select()}
                onChange={(event) => onEdit(row.number, { qty: event.target.value === row.qty ? undefined : event.target.value })}
                onBlur={(event) => event.target.value.trim() === '' && onEdit(row.number, { qty: undefined })}
                onKeyDown={(event) => {
                    if (event.key === 'Escape' || event.key === 'Enter') {
                        if (event.key === 'Escape') {
                            onEdit(row.number, { qty: undefined });
                        }
                        event.stopPropagation();
                        event.currentTarget.closest<HTMLElement>('[data-row]')?.focus();
                    }
                }}
                className={`h-6 rounded-xs border px-1 text-right ${typed === undefined ? 'w-14 border-transparent bg-transparent hover:border-line' : 'w-12 border-draft bg-draft-tint font-semibold'}`}
            />
            <span className="text-mute">{row.unit}</span>
        </span>
    );
}
