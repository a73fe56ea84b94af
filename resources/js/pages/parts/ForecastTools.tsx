import { ArrowRightToLine, Redo2, Undo2 } from 'lucide-react';
import { useState, type RefObject } from 'react';
import { Button } from '@/components/Button';
import { qty } from '@/lib/format';
import { sumOf } from '@/lib/quantities';
import type { ForecastRow } from '@/lib/shapes';
import { swapped } from '@/lib/digits';
import { t, tn } from '@/lib/t';
import { cellsOf, type Block } from '@/lib/useSelection';
import type { useForecastEdits } from '@/pages/parts/useForecastEdits';

/** More figures than these are not added up while one chooses. */
const MOST_SUMMED = 20_000;

interface Props {
    block: Block;
    rows: ForecastRow[];
    edits: ReturnType<typeof useForecastEdits>;
    percent: RefObject<HTMLInputElement | null>;
    onFill: () => void;
    /** Changes all that is chosen by `+5 %`. */
    onPercent: (text: string) => void;
    /** Back into the grid. */
    onBack: () => void;
}

/** What can be done with the chosen figures, and what they come to. */
export function ForecastTools({ block, rows, edits, percent, onFill, onPercent, onBack }: Props) {
    const [by, setBy] = useState('');
    const count = cellsOf(block);
    const chosen =
        count > MOST_SUMMED ? [] : rows.slice(block.top, block.bottom + 1).flatMap((row) => row.qty.slice(block.left, block.right + 1));
    const said = /^([+-]?)\s*(\d{1,4}(?:[.,]\d{1,2})?)\s*%?$/.exec(by.trim());
    const text = said ? `${said[1] || '+'}${(said[2] ?? '').replace(',', '.')} %` : null;
    return (
        <div className="mb-2 flex flex-wrap items-center gap-2" role="toolbar" aria-label={t('Chosen figures')}>
            <Button
                className="!h-[27px]"
                disabled={block.right === block.left}
                onClick={onFill}
                title={t('The first figure of each row goes through the rest (f)')}
            >
                <ArrowRightToLine size={14} aria-hidden />
                {t('Fill right')}
            </Button>
            <form
                className="flex items-center gap-1"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (text) {
                        onPercent(text);
                        setBy('');
                        onBack();
                    }
                }}
            >
                <input
                    ref={percent}
                    aria-label={t('Percent more or less')}
                    title={t('Percent more or less (%)')}
                    placeholder="+5 %"
                    value={swapped(by)}
                    onChange={(event) => setBy(swapped(event.target.value))}
                    onKeyDown={(event) => {
                        if (event.key === 'Escape') {
                            setBy('');
                            onBack();
                        }
                    }}
                    className="h-[27px] w-16 rounded border border-line bg-surface px-2 text-right text-sm"
                />
                <Button type="submit" className="!h-[27px]" disabled={text === null}>
                    {t('Change by it')}
                </Button>
            </form>
            <Button className="!h-[27px]" disabled={edits.undo === null} onClick={() => edits.undo?.()} title={t('Take back (Ctrl+Z)')}>
                <Undo2 size={14} aria-hidden />
                {t('Take back')}
            </Button>
            <Button className="!h-[27px]" disabled={edits.redo === null} onClick={() => edits.redo?.()} title={t('Do it again (Ctrl+Y)')}>
                <Redo2 size={14} aria-hidden />
                {t('Do it again')}
            </Button>
            <span className="ml-auto text-sm whitespace-nowrap text-mute" aria-live="polite">
                {tn('1 figure chosen', ':n figures chosen', count)}
                {chosen.length > 1 && `, ${t(':n in all', { n: qty(sumOf(chosen)) })}`}
            </span>
        </div>
    );
}
