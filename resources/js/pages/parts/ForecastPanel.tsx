import { PanelHead } from '@/components/PanelHead';
import { Quantity } from '@/components/Quantity';
import { isZero, period, qty } from '@/lib/format';
import type { ForecastOutlook, OutlookPeriod } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

interface Props {
    forecast: string;
    item: string;
    site: string;
    bucket: string;
    stamp: string;
    onClose: () => void;
}

const HEIGHT = 110;

/** How many periods are drawn and listed at once: what has passed comes with them as far as anything was forecast or ordered. */
const AHEAD = 18;

/** An item of a forecast over time: what was forecast and ordered, what is left to plan, and the balance that the data of now give. */
export function ForecastPanel({ forecast, item, site, bucket, stamp, onClose }: Props) {
    const query = new URLSearchParams({ forecast, item, at: site, size: bucket });
    const { data, trouble } = useLoaded<ForecastOutlook>(`/demand/outlook?${query.toString()}`, stamp);
    return (
        <>
            <PanelHead title={`${item}, ${site}`} href={`/item?${new URLSearchParams({ item, site }).toString()}`} onClose={onClose} />
            {trouble && <p className="text-broken">{trouble}</p>}
            {data && <Outlook data={data} bucket={bucket} />}
        </>
    );
}

const empty = (one: OutlookPeriod) => isZero(one.forecast) && isZero(one.ordered);

function Outlook({ data, bucket }: { data: ForecastOutlook; bucket: string }) {
    const first = data.periods.findIndex((one) => !one.hasPassed || !empty(one));
    const now = data.periods.findIndex((one) => !one.hasPassed);
    const shown = data.periods.slice(Math.max(first, now - 12), now + AHEAD);
    return (
        <>
            <p className="text-mute">{data.name}</p>
            <Chart periods={shown} bucket={bucket} decimals={data.decimals} />
            {data.trouble && <p className="text-broken">{data.trouble}</p>}
            {!data.isCounted && <p className="text-look-ink">{t('The live plan does not count this forecast.')}</p>}
            <h3 className="mt-3 font-bold">{t('Forecast against what was ordered')}</h3>
            {data.passed === 0 || data.mape === null ? (
                <p className="text-mute">
                    {data.passed === 0
                        ? t('No period with figures has passed yet.')
                        : t('Nothing was ordered in the periods that have passed.')}
                </p>
            ) : (
                <p>
                    {tn('Over 1 period', 'Over :n periods', data.passed)}:{' '}
                    {t('on average off by :mape % (MAPE)', { mape: tenths(data.mape) })}
                    {', '}
                    {data.bias === null || data.bias === 0
                        ? t('neither too high nor too low in all')
                        : data.bias > 0
                          ? t('in all :bias % too high (bias)', { bias: tenths(data.bias) })
                          : t('in all :bias % too low (bias)', { bias: tenths(-data.bias) })}
                    .
                </p>
            )}
            <table className="mt-2 w-full text-sm">
                <thead>
                    <tr className="border-b border-line text-xs text-mute">
                        <th scope="col" className="py-1 text-left font-semibold">
                            {t('From')}
                        </th>
                        {[t('forecast'), t('ordered'), t('left'), t('balance')].map((name) => (
                            <th key={name} scope="col" className="py-1 text-right font-semibold">
                                {name}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {shown.map((one) => (
                        <tr key={one.start} className={`border-b border-soft ${one.hasPassed ? 'text-mute' : ''}`}>
                            <th scope="row" className="py-0.5 text-left font-normal">
                                {period(one.start, bucket)}
                            </th>
                            <td className="text-right">
                                <Quantity value={one.forecast} decimals={data.decimals} />
                            </td>
                            <td className="text-right">
                                <Quantity value={one.ordered} decimals={data.decimals} />
                            </td>
                            <td className="text-right font-semibold">
                                {one.hasPassed ? '' : <Quantity value={one.left} decimals={data.decimals} />}
                            </td>
                            <td className={`text-right ${one.balance?.startsWith('-') ? 'text-broken' : ''}`}>
                                {one.balance === null ? '' : <Quantity value={one.balance} decimals={data.decimals} />}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </>
    );
}

/** A tenth of a percent as one writes it. */
function tenths(value: number): string {
    return qty(String(value / 10));
}

/** Orders and what is left of the forecast on top of each other, as both are planned; a line across where it was forecast. */
function Chart({ periods, bucket, decimals }: { periods: OutlookPeriod[]; bucket: string; decimals: number }) {
    const most = Math.max(
        1,
        ...periods.map((one) => Math.max(Number(one.forecast), Number(one.ordered) + (one.hasPassed ? 0 : Number(one.left)))),
    );
    const high = (value: string) => Math.round((Number(value) / most) * HEIGHT);
    const every = Math.ceil(periods.length / 6);
    const says = (one: OutlookPeriod) =>
        t(':day: forecast :forecast, ordered :ordered, left :left', {
            day: period(one.start, bucket),
            forecast: qty(one.forecast, decimals),
            ordered: qty(one.ordered, decimals),
            left: qty(one.left, decimals),
        });
    return (
        <figure className="mt-2">
            <div
                className="flex items-end gap-px border-b border-line"
                style={{ height: HEIGHT + 6 }}
                role="img"
                aria-label={t('Forecast, orders and what is left, by period')}
            >
                {periods.map((one) => (
                    <div key={one.start} title={says(one)} className="relative flex h-full min-w-0 flex-1 flex-col justify-end">
                        {!one.hasPassed && <span className="bg-cause-forecast" style={{ height: high(one.left) }} />}
                        <span className={one.hasPassed ? 'bg-mute' : 'bg-cause-sales'} style={{ height: high(one.ordered) }} />
                        {!isZero(one.forecast) && (
                            <span className="absolute inset-x-0 border-t-2 border-look" style={{ bottom: high(one.forecast) }} />
                        )}
                    </div>
                ))}
            </div>
            <div className="flex text-xs text-mute" aria-hidden>
                {periods.map((one, place) => (
                    <span key={one.start} className="min-w-0 flex-1 overflow-visible whitespace-nowrap">
                        {place % every === 0 ? period(one.start, 'week') : ''}
                    </span>
                ))}
            </div>
            <figcaption className="mt-1 flex flex-wrap gap-x-3 text-xs text-mute">
                <Key look="h-2 w-3 bg-cause-sales">{t('orders')}</Key>
                <Key look="h-2 w-3 bg-cause-forecast">{t('left of the forecast')}</Key>
                <Key look="w-3 border-t-2 border-look">{t('forecast')}</Key>
                <span>{t('Orders and what is left are the net demand.')}</span>
            </figcaption>
        </figure>
    );
}

function Key({ look, children }: { look: string; children: string }) {
    return (
        <span className="inline-flex items-center gap-1">
            <span className={look} aria-hidden />
            {children}
        </span>
    );
}
