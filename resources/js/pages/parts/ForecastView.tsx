import { useCallback, useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import type { DemandPage, ForecastRow, ForecastRows } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useMoreRows } from '@/lib/useMoreRows';
import type { Block } from '@/lib/useSelection';
import { AddItem, CopyFigures, NameForecast } from '@/pages/parts/ForecastForms';
import { ForecastGrid } from '@/pages/parts/ForecastGrid';
import { ForecastPanel } from '@/pages/parts/ForecastPanel';
import { useForecastEdits } from '@/pages/parts/useForecastEdits';

interface Props extends Pick<DemandPage, 'filter' | 'forecasts' | 'periods' | 'bucket' | 'rows' | 'allRows'> {
    change: (changes: Record<string, string>) => void;
}

/** Items that come with each page after the first. */
const AT_ONCE = 600;

const NOTHING: Block = { top: 0, left: 0, bottom: 0, right: 0 };

/** The forecasts: which one, in which periods, its figures, and one item of it over time. */
export function ForecastView({ filter, forecasts, periods, bucket, rows: first, allRows, change }: Props) {
    const { plan, site, user } = useShared();
    const [panel, setPanel] = useState<'time' | 'name' | 'new' | 'copy' | 'add' | null>(null);
    const [at, setAt] = useState<ForecastRow | null>(null);
    const [block, setBlock] = useState(NOTHING);
    const code = filter.forecast;
    const heading = forecasts.find((one) => one.code === code) ?? null;
    const list = { forecast: code, q: filter.q, size: filter.size };
    const grid = useMoreRows(
        '/demand/forecast-rows',
        { ...list, rows: String(AT_ONCE) },
        first,
        allRows,
        (answer: ForecastRows) => answer.rows,
    );
    const edits = useForecastEdits(code, { came: grid.rows, since: first }, periods, list);
    const mayType = user.can.includes('edit forecast');
    const close = () => setPanel(null);
    const toggle = (which: typeof panel) => setPanel((old) => (old === which ? null : which));
    const onItem = useCallback((row: ForecastRow) => setAt(row), []);
    const row = at && (edits.rows.find((one) => one.item === at.item && one.site === at.site) ?? edits.rows[0]);
    return (
        <>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                {forecasts.length > 0 && (
                    <PillSelect
                        label={t('Forecast')}
                        value={code}
                        onChange={(forecast) => change({ forecast, size: '' })}
                        choices={forecasts.map((one) => ({ value: one.code, label: one.code }))}
                    />
                )}
                <PillTabs
                    label={t('Shown in')}
                    value={bucket}
                    onChange={(size) => change({ size })}
                    choices={[
                        { value: 'day', label: t('Days') },
                        { value: 'week', label: t('Weeks') },
                        { value: 'month', label: t('Months') },
                    ]}
                />
                <PillToggle on={panel === 'time'} onChange={() => toggle('time')}>
                    {t('Over time')}
                </PillToggle>
                {mayType && heading && (
                    <>
                        <Button className="!h-[27px]" onClick={() => setPanel('add')}>
                            {t('Add an item')}
                        </Button>
                        <Button className="!h-[27px]" onClick={() => setPanel('copy')}>
                            {t('Copy figures')}
                        </Button>
                        <Button className="!h-[27px]" onClick={() => setPanel('name')}>
                            {t('Name and days')}
                        </Button>
                    </>
                )}
                {mayType && (
                    <Button className="!h-[27px]" onClick={() => setPanel('new')}>
                        {t('New forecast')}
                    </Button>
                )}
                <FindBox label={t('Find an item')} value={filter.q} onChange={(q) => change({ q })} />
            </div>
            {first.length === 0 ? (
                <>
                    {edits.said}
                    <Empty title={forecasts.length === 0 ? t('There is no forecast yet') : t('No item here')}>
                        {filter.q || site
                            ? t('Choose another forecast, site or item.')
                            : forecasts.length === 0
                              ? t('Make a new forecast, or bring one in as a table.')
                              : t('Add an item, or copy figures from elsewhere.')}
                    </Empty>
                </>
            ) : (
                <ForecastGrid
                    key={`${code} ${site} ${bucket} ${filter.q}`}
                    periods={periods}
                    bucket={bucket}
                    total={allRows}
                    more={grid.more}
                    edits={edits}
                    onItem={onItem}
                    onBlock={setBlock}
                />
            )}
            {grid.trouble && <p className="mt-2 text-broken">{grid.trouble}</p>}
            {panel === 'time' && row && (
                <Inspector label={t('Over time')}>
                    <ForecastPanel
                        forecast={code}
                        item={row.item}
                        site={row.site}
                        bucket={bucket}
                        stamp={`${plan.id ?? 0} ${edits.stamp}`}
                        onClose={close}
                    />
                </Inspector>
            )}
            {panel === 'add' && (
                <Inspector label={t('Add an item')}>
                    <AddItem periods={periods} bucket={bucket} edits={edits} onClose={close} />
                </Inspector>
            )}
            {panel === 'copy' && (
                <Inspector label={t('Copy figures')}>
                    <CopyFigures forecasts={forecasts} forecast={code} rows={edits.rows} block={block} edits={edits} onClose={close} />
                </Inspector>
            )}
            {(panel === 'name' || panel === 'new') && (
                <Inspector label={t('Forecast')}>
                    <NameForecast
                        key={panel}
                        heading={panel === 'new' ? null : heading}
                        edits={edits}
                        onClose={close}
                        onDone={(forecast) => {
                            close();
                            change({ forecast, size: '' });
                        }}
                    />
                </Inspector>
            )}
        </>
    );
}
