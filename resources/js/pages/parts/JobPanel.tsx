import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { DraftMarks, TouchedNote } from '@/components/DraftMarks';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { PegList } from '@/components/PegList';
import { RecordHistory } from '@/components/RecordHistory';
import { WhyLate } from '@/components/WhyLate';
import { day, isZero, qty } from '@/lib/format';
import type { DataKind, JobLineRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { DataForm } from '@/pages/parts/DataForm';
import { itemHref } from '@/pages/parts/ItemPanel';
import { SupplyForm, useMayMoveStock } from '@/pages/parts/StockForms';

interface Props {
    job: string;
    row: JobLineRow;
    kind: DataKind;
    mayApprove: boolean;
    busy: boolean;
    onApprove: (approve: boolean) => void;
    onCopy: () => void;
    onClose: () => void;
}

/** A line of a job: where it comes from and when, what it costs, and what can be done with it. */
export function JobPanel({ job, row, kind, mayApprove, busy, onApprove, onCopy, onClose }: Props) {
    const may = useMayMoveStock();
    const [changing, setChanging] = useState(false);
    const [told, setTold] = useState<string | null>(null);
    if (changing) {
        return (
            <DataForm
                key={JSON.stringify(row.row.values)}
                kind={kind}
                row={row.row}
                like={null}
                onClose={() => setChanging(false)}
                onCopy={onCopy}
            />
        );
    }
    return (
        <>
            <PanelHead title={`${job}/${row.line}`} onClose={onClose} />
            <p className="mb-1">
                {qty(row.qty, row.decimals)} {row.unit}{' '}
                {row.item === null ? (
                    <em>{row.name}</em>
                ) : (
                    <>
                        <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                            {row.item}
                        </Link>{' '}
                        {row.name}
                    </>
                )}
                , {t('due :day', { day: day(row.due) })}
            </p>
            {row.item === null && <p className="text-look-ink">{t('A placeholder: give it an item before it is approved.')}</p>}
            {row.strip && <CoverStrip strip={row.strip} width={314} showDate />}
            {row.approved && !row.isPlanned && !isZero(row.open) && (
                <p className="text-mute">{t('The live plan does not count this line.')}</p>
            )}
            {row.lateDays > 0 && (
                <div className="mt-2 rounded border border-broken bg-broken-tint px-2.5 py-2">
                    <strong>{tn('Expected 1 day late.', 'Expected :n days late.', row.lateDays)}</strong>
                    <WhyLate key={row.reference} of={row.reference} />
                </div>
            )}
            {row.isPlanned && (
                <p className="mt-2">
                    <PeggingLink of={row.reference} />
                </p>
            )}
            <div className="mt-2 flex flex-wrap gap-2">
                {mayApprove && row.item !== null && (!row.approved || isZero(row.issued)) && (
                    <Button look={row.approved ? 'plain' : 'act'} disabled={busy} onClick={() => onApprove(!row.approved)}>
                        {row.approved ? t('Approve it no longer') : t('Approve')}
                    </Button>
                )}
                <Button onClick={() => setChanging(true)}>{row.item === null ? t('Replace or change it') : t('Change it')}</Button>
            </div>
            {may && row.approved && !(isZero(row.open) && isZero(row.issued)) && (
                <SupplyForm key={`${row.reference} ${row.open}`} job={job} row={row} onDone={setTold} />
            )}
            {told && (
                <p role="status" className="mt-2 font-semibold text-act-dark">
                    {told}
                </p>
            )}
            <table className="mt-3 w-full text-sm">
                <tbody>
                    {(
                        [
                            [t('Estimated'), row.estimated],
                            [t('Committed'), row.committed],
                            [t('Actual'), row.actual],
                        ] as const
                    ).map(([name, value]) => (
                        <tr key={name} className="border-b border-soft">
                            <th scope="row" className="py-0.5 text-left font-normal text-mute">
                                {name}
                            </th>
                            <td className="text-right">{qty(value, 2)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <PegList title={t('Where it comes from')} pegs={row.from} />
            <TouchedNote reference={row.reference} />
            <DraftMarks reference={row.reference} />
            <RecordHistory of={[row.reference]} />
        </>
    );
}
