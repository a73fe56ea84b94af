import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { AnswerLines } from '@/components/AnswerLines';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { PegList } from '@/components/PegList';
import { DraftMarks, TouchedNote } from '@/components/DraftMarks';
import { CoverStrip } from '@/components/CoverStrip';
import { day, isZero, qty } from '@/lib/format';
import type { Explanation, SalesRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { WhyLate } from '@/components/WhyLate';
import { RecordHistory } from '@/components/RecordHistory';
import { SalesDraft } from '@/pages/parts/DraftForms';
import { SalesParts } from '@/pages/parts/SalesForms';
import { ShipForm, useMayMoveStock } from '@/pages/parts/StockForms';
import { itemHref } from '@/pages/parts/ItemPanel';

/** A sales line: whether it is on time, why not, and what serves it. */
export function SalesPanel({ row, answer, onClose }: { row: SalesRow; answer: Explanation | null; onClose: () => void }) {
    const may = useMayMoveStock();
    const [told, setTold] = useState<{ message: string; commit: number } | null>(null);
    return (
        <>
            <PanelHead title={`${row.order}/${row.line}`} onClose={onClose} />
            <p className="mb-2">
                {row.customer} <span className="text-mute">· {t('priority :n', { n: row.priority })}</span>
            </p>
            <p className="mb-1">
                {qty(row.open, row.decimals)} {row.unit}{' '}
                <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                    {row.item}
                </Link>{' '}
                {row.name}, {t('due :day', { day: day(row.due) })}
            </p>
            {row.heldUntil && (
                <p className="mb-1 font-semibold text-look-ink">{t('Held until :day, not accepted yet', { day: day(row.heldUntil) })}</p>
            )}
            {row.answered && row.answered !== row.due && (
                <p className="mb-1 text-sm text-mute">{t('Accepted by hand; the answer then was :day', { day: day(row.answered) })}</p>
            )}
            {row.strip ? (
                <CoverStrip strip={row.strip} width={314} showDate />
            ) : (
                <p className="text-mute">{t('The live plan does not count this line.')}</p>
            )}
            {row.lateDays > 0 && (
                <div className="mt-3 rounded border border-broken bg-broken-tint px-2.5 py-2">
                    <strong>{tn('Expected 1 day late.', 'Expected :n days late.', row.lateDays)}</strong> {row.reason}
                    <WhyLate key={row.reference} of={row.reference} />
                </div>
            )}
            {row.strip && (
                <p className="mt-3">
                    <PeggingLink of={row.reference} />
                </p>
            )}
            <p className="mt-1">
                <Link href={`/complete?of=${encodeURIComponent(row.reference)}`} className="font-semibold text-act hover:underline">
                    {t('Check another date')}
                </Link>
            </p>
            <p className="mt-1">
                <Link href={`/promise?of=${encodeURIComponent(row.reference)}`} className="font-semibold text-act hover:underline">
                    {row.heldUntil === null ? t('Ask what can be promised') : t('Accept, drop or ask again')}
                </Link>
            </p>
            {may && row.heldUntil === null && !isZero(row.open) && (
                <ShipForm key={`${row.reference} ${row.open}`} row={row} onDone={(message, commit) => setTold({ message, commit })} />
            )}
            {told && (
                <p role="status" className="mt-2 font-semibold text-act-dark">
                    {told.message}{' '}
                    <a href={`/movements/delivery/${told.commit}.pdf`} className="text-act hover:underline">
                        {t('Delivery note (PDF)')}
                    </a>
                </p>
            )}
            <TouchedNote reference={row.reference} />
            <DraftMarks reference={row.reference} />
            <SalesDraft key={`${row.order}/${row.line} ${row.due}`} row={row} />
            <SalesParts key={`${row.reference} ${row.open} ${row.due}`} row={row} />
            <RecordHistory of={[row.reference]} />
            {answer && (
                <div className="mt-3">
                    <AnswerLines answer={answer} />
                    <PegList title={answer.pegsTitle} pegs={answer.pegs} />
                </div>
            )}
        </>
    );
}
