import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { day } from '@/lib/format';
import type { ThreadOperation, ThreadRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

const DAY = 1440;

interface Props {
    row: ThreadRow;
    texture: string;
    x: (iso: string) => number;
    /** Width of a day. */
    scale: number;
    planDate: string;
    top: number;
    height: number;
}

/** "5 h 20 min", "3 days". */
function time(minutes: number): string {
    if (minutes >= 2 * DAY) {
        return tn(':n day', ':n days', Math.round(minutes / DAY));
    }
    return minutes < 60
        ? tn(':n minute', ':n minutes', minutes)
        : t(':hours h :minutes min', { hours: Math.floor(minutes / 60), minutes: minutes % 60 });
}

/** Where a minute stands on an axis of days. */
export function instantAt(instant: string, x: (iso: string) => number, scale: number): number {
    const [hours = '0', minutes = '0'] = instant.slice(11).split(':');
    return x(instant.slice(0, 10)) + ((Number(hours) * 60 + Number(minutes)) / DAY) * scale;
}

/** An order that is scheduled: its operations as blocks, the time in which it only waits as a line; opened, they stand in words. */
export function ThreadOperations({ row, texture, x, scale, planDate, top, height }: Props) {
    const at = (instant: string) => instantAt(instant, x, scale);
    const starts = row.operations.map((operation) => at(operation.start));
    const begin = Math.max(0, Math.min(...starts));
    const end = Math.max(begin + 6, ...row.operations.map((operation) => at(operation.end)));
    return (
        <Popover className="contents">
            <PopoverButton
                aria-label={t('Operations of :item, :n', { item: row.label, n: row.operations.length })}
                title={t('Operations of :item, :n', { item: row.label, n: row.operations.length })}
                onClick={(event) => event.stopPropagation()}
                className={`absolute cursor-pointer rounded-[2px] ${row.holdUp ? 'outline-2 outline-ink' : 'hover:outline-1 hover:outline-mute'}`}
                style={{ left: begin, top, width: end - begin, height }}
            >
                <span aria-hidden className="absolute inset-x-0 top-1/2 border-t-2 border-dotted border-mute" />
                {row.operations.map((operation) => (
                    <span
                        key={operation.op}
                        aria-hidden
                        className={`${texture} absolute top-0 rounded-[1px]`}
                        style={{
                            left: Math.max(0, at(operation.start) - begin),
                            width: Math.max(3, at(operation.end) - Math.max(begin, at(operation.start))),
                            height,
                        }}
                    />
                ))}
            </PopoverButton>
            <PopoverPanel
                anchor="bottom start"
                className="z-40 w-[440px] rounded border border-line bg-surface p-3 shadow-sm [--anchor-gap:6px] focus:outline-none"
            >
                <h3 className="font-bold">
                    {row.label}, {row.note}
                </h3>
                <OperationList operations={row.operations} planDate={planDate} />
            </PopoverPanel>
        </Popover>
    );
}

/** Where the shop has operations, and how long each only waited before. */
export function OperationList({ operations, planDate }: { operations: ThreadOperation[]; planDate: string }) {
    return (
        <table className="mt-1.5 w-full text-sm">
            <thead className="text-left text-xs text-mute">
                <tr>
                    <th scope="col" className="font-normal">
                        {t('Operation')}
                    </th>
                    <th scope="col" className="font-normal">
                        {t('Work centre')}
                    </th>
                    <th scope="col" className="font-normal">
                        {t('From, to')}
                    </th>
                    <th scope="col" className="text-right font-normal">
                        {t('Waited before')}
                    </th>
                </tr>
            </thead>
            <tbody>
                {operations.map((operation) => (
                    <tr key={operation.op} className="border-t border-soft align-top">
                        <th scope="row" className="py-1 text-left font-semibold">
                            {operation.op}
                        </th>
                        <td className="py-1">
                            {operation.centre}
                            <span className="text-mute"> {t('unit :units', { units: operation.units.replaceAll(';', ', ') })}</span>
                        </td>
                        <td className="py-1 whitespace-nowrap">
                            {day(operation.start, planDate)} {operation.start.slice(11)}
                            <br />
                            {day(operation.end, planDate)} {operation.end.slice(11)}
                        </td>
                        <td className={`py-1 text-right ${operation.waited > 0 ? 'font-semibold text-look-ink' : 'text-mute'}`}>
                            {operation.waited > 0 ? time(operation.waited) : t('no')}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
