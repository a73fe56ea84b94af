import { Quantity } from '@/components/Quantity';
import type { RecordRow } from '@/lib/shapes';
import { t } from '@/lib/t';

interface Props {
    record: RecordRow[] | null;
    decimals: number;
    headWidth: number;
    width: number;
    rowHeight: number;
    rows: number;
    asExpected: boolean;
    onAsk: (start: string, target: HTMLElement) => void;
}

/** A row of the plan opened into its record: demand by kind, what comes in, the balance, what must be started. */
export function RecordRows({ record, decimals, headWidth, width, rowHeight, rows, asExpected, onAsk }: Props) {
    const lines: [string, keyof RecordRow, string][] = [
        [t('Sales'), 'sales', ''],
        [t('Forecast left'), 'forecast', ''],
        [t('For orders'), 'parts', ''],
        [t('To other sites'), 'out', ''],
        [asExpected ? t('Open orders in, when expected') : t('Open orders in'), 'receipts', ''],
        [asExpected ? t('Proposals in, when expected') : t('Proposals in'), 'proposals', ''],
        [t('Balance'), 'balance', 'font-bold border-t border-line'],
        [t('Proposals to start'), 'toStart', 'text-mute'],
    ];
    if (record === null) {
        return (
            <div className="bg-paper px-8 text-mute" style={{ height: rows * rowHeight }}>
                {t('Loading')}
            </div>
        );
    }
    return (
        <>
            {lines.map(([label, field, look]) => (
                <div key={field} role="row" className={`flex bg-paper ${look}`} style={{ height: rowHeight }}>
                    <div
                        role="rowheader"
                        className="sticky left-0 z-10 flex items-center bg-paper pl-10 text-mute"
                        style={{ width: headWidth }}
                    >
                        {label}
                    </div>
                    {record.map((cell) => (
                        <div
                            key={cell.start}
                            role="gridcell"
                            onClick={(event) => onAsk(cell.start, event.currentTarget)}
                            className={`flex shrink-0 cursor-pointer items-center justify-end pr-2 ${field === 'balance' && cell.mark === 'broken' ? 'text-broken' : ''}`}
                            style={{ width }}
                        >
                            <Quantity value={cell[field]} decimals={decimals} />
                        </div>
                    ))}
                </div>
            ))}
        </>
    );
}
