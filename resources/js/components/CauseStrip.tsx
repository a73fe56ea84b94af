import type { CauseStrip as Causes } from '@/lib/shapes';
import { t } from '@/lib/t';

/** Whom a supply is for: sales now, forecast, stock rule; in greys, so that it is not taken for cover. */
export function CauseStrip({ causes, width = 44 }: { causes: Causes; width?: number }) {
    const rule = Math.max(0, 1000 - causes.sales - causes.forecast);
    const percent = (share: number) => Math.round(share / 10);
    const words = t(':sales % for sales, :forecast % for forecast, :rule % for the stock rule', {
        sales: percent(causes.sales),
        forecast: percent(causes.forecast),
        rule: percent(rule),
    });
    const parts: [number, string][] = [
        [causes.sales, 'bg-cause-sales'],
        [causes.forecast, 'bg-cause-forecast'],
        [rule, 'bg-cause-rule'],
    ];
    return (
        <span role="img" aria-label={words} title={words} className="inline-flex h-2 gap-px" style={{ width }}>
            {parts.map(
                ([share, colour]) =>
                    share > 0 && (
                        <span key={colour} className={`${colour} h-full rounded-[1px]`} style={{ flexGrow: share, flexBasis: 0 }} />
                    ),
            )}
        </span>
    );
}
