import { useState } from 'react';
import { DateField } from '@/components/DateField';
import { FIELD } from '@/components/Labelled';
import { Ticks } from '@/components/Ticks';
import { Choice, Days, WholeField } from '@/layout/RunFields';
import { SUPPLIES, type RunGroup } from '@/lib/runWords';
import type { RunChoices } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

interface Props {
    group: RunGroup;
    chosen: RunChoices;
    families: string[];
    onChange: (some: Partial<RunChoices>) => void;
}

/** What can be chosen of one group. */
export function RunControls({ group, chosen, families, onChange }: Props) {
    const { forecastNames, sites, plan } = useShared();
    switch (group) {
        case 'demand':
            return (
                <>
                    <Ticks
                        title={t('Demand that counts')}
                        inline
                        all={[
                            ['sales', t('What is ordered')],
                            ['forecast', t('Forecasts')],
                        ]}
                        chosen={chosen.demand}
                        onChange={(names) => onChange({ demand: (['sales', 'forecast'] as const).filter((one) => names.includes(one)) })}
                    />
                    {chosen.demand.includes('forecast') && (
                        <>
                            <Ticks
                                title={t('Forecasts that count')}
                                inline
                                all={forecastNames.map((name) => [name, name])}
                                chosen={chosen.forecasts}
                                onChange={(forecasts) => onChange({ forecasts })}
                            />
                            <Choice
                                title={t('A forecast of a week or month')}
                                choices={[t('is needed on its first day'), t('is spread over its working days')]}
                                second={chosen.spread}
                                onChange={(spread) => onChange({ spread })}
                            />
                            <Choice
                                title={t('Orders')}
                                choices={[t('come on top of the forecast'), t('consume the forecast')]}
                                second={chosen.consume}
                                onChange={(consume) => onChange({ consume })}
                            />
                            {chosen.consume && (
                                <div className="flex flex-wrap gap-x-4 pl-5.5">
                                    <Days
                                        label={t('days before')}
                                        value={chosen.consumeBackDays}
                                        onChange={(consumeBackDays) => onChange({ consumeBackDays })}
                                    />
                                    <Days
                                        label={t('days after')}
                                        value={chosen.consumeForwardDays}
                                        onChange={(consumeForwardDays) => onChange({ consumeForwardDays })}
                                    />
                                </div>
                            )}
                        </>
                    )}
                </>
            );
        case 'supply':
            return (
                <Ticks
                    title={t('Supply that counts')}
                    inline
                    all={Object.entries(SUPPLIES).map(([code, name]) => [code, t(name)])}
                    chosen={chosen.supply}
                    onChange={(names) =>
                        onChange({ supply: (Object.keys(SUPPLIES) as RunChoices['supply']).filter((one) => names.includes(one)) })
                    }
                />
            );
        case 'where': {
            const codes = sites.map((site) => site.code);
            return (
                <>
                    <Ticks
                        title={t('Sites')}
                        all={sites.map((site) => [site.code, site.name])}
                        chosen={chosen.sites ?? codes}
                        onChange={(some) => onChange({ sites: codes.every((one) => some.includes(one)) ? null : some })}
                    />
                    {chosen.sites !== null && (
                        <p className="mt-1 text-look-ink">{t('Items at other sites will have no plan until they are run again.')}</p>
                    )}
                </>
            );
        }
        case 'items':
            return <Items chosen={chosen} families={families} onChange={onChange} />;
        case 'until':
            return (
                <>
                    <div className="mt-1.5 grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
                        <label htmlFor="run-horizon">{t('Plan up to')}</label>
                        <DateField
                            id="run-horizon"
                            value={chosen.horizonEnd ?? ''}
                            onChange={(day) => onChange({ horizonEnd: day || null })}
                            min={plan.planDate}
                            optional
                        />
                        <label htmlFor="run-bucket">{t('Shown by')}</label>
                        <select
                            id="run-bucket"
                            value={chosen.bucket}
                            onChange={(event) => onChange({ bucket: event.target.value as RunChoices['bucket'] })}
                            className="h-7 justify-self-start rounded border border-line bg-surface px-1.5"
                        >
                            <option value="day">{t('day')}</option>
                            <option value="week">{t('week')}</option>
                            <option value="month">{t('month')}</option>
                        </select>
                    </div>
                    <Choice
                        title={t('Work is done')}
                        choices={[t('every day'), t('on working days only')]}
                        second={chosen.calendars}
                        onChange={(calendars) => onChange({ calendars })}
                    />
                </>
            );
        case 'rules':
            return (
                <>
                    <label className="mt-2 flex items-center gap-2">
                        <input
                            type="checkbox"
                            checked={chosen.safetyStock}
                            onChange={(event) => onChange({ safetyStock: event.target.checked })}
                            className="accent-act"
                        />
                        {t('Safety stock counts')}
                    </label>
                    <Choice
                        title={t('Who is served first')}
                        choices={[t('who needs it first'), t('who has the higher priority')]}
                        second={chosen.pegByPriority}
                        onChange={(pegByPriority) => onChange({ pegByPriority })}
                    />
                    <fieldset className="mt-2.5">
                        <legend className="text-xs font-bold text-mute">{t('An open order is moved')}</legend>
                        <Days
                            label={t('days too early before it is to be pushed out')}
                            value={chosen.pushOutDays}
                            onChange={(pushOutDays) => onChange({ pushOutDays })}
                        />
                        <Days
                            label={t('days by which it may be brought in, rather than to order anew')}
                            value={chosen.bringInDays}
                            onChange={(bringInDays) => onChange({ bringInDays })}
                        />
                    </fieldset>
                </>
            );
        case 'shop':
            return (
                <>
                    <Choice
                        title={t('Production')}
                        choices={[t('There after its lead time'), t('There when the shop can do it')]}
                        second={chosen.schedule}
                        onChange={(schedule) => onChange({ schedule })}
                    />
                    {chosen.schedule && (
                        <label className="flex min-h-7 items-center gap-2 pl-5.5">
                            {t('Proposals that start within')}
                            <WholeField value={chosen.scheduleDays} onChange={(scheduleDays) => onChange({ scheduleDays })} />
                            {t('days')}
                        </label>
                    )}
                </>
            );
    }
}

/** All items, those that are sold, or some by family or code. */
function Items({ chosen, families, onChange }: Omit<Props, 'group'>) {
    const named = chosen.families.length + chosen.items.length > 0;
    const [some, setSome] = useState(named);
    const [typed, setTyped] = useState(chosen.items.join(' '));
    const at = chosen.soldOnly ? 'sold' : some || named ? 'some' : 'all';
    const choose = (to: 'all' | 'sold' | 'some') => {
        setSome(to === 'some');
        if (to !== 'some') {
            setTyped('');
        }
        onChange({ soldOnly: to === 'sold', ...(to === 'some' ? {} : { families: [], items: [] }) });
    };
    const words = {
        all: t('All levels'),
        sold: t('Only what is sold or forecast, and what goes into it'),
        some: t('Only these, and what goes into them'),
    };
    return (
        <fieldset className="mt-1.5">
            <legend className="sr-only">{t('Items')}</legend>
            {(['all', 'sold', 'some'] as const).map((one) => (
                <label key={one} className="flex min-h-6 items-center gap-2">
                    <input type="radio" name="levels" checked={at === one} onChange={() => choose(one)} className="accent-act" />
                    {words[one]}
                </label>
            ))}
            {at === 'some' && (
                <div className="pl-5.5">
                    {!named && <p className="text-look-ink">{t('None yet: as long as nothing is chosen, all are planned.')}</p>}
                    <div className="max-h-36 overflow-y-auto">
                        <Ticks
                            title={t('Families')}
                            inline
                            all={families.map((name) => [name, name])}
                            chosen={chosen.families}
                            onChange={(names) => onChange({ families: names })}
                        />
                    </div>
                    <label className="mt-2 block text-xs font-bold text-mute" htmlFor="run-items">
                        {t('Items, with a space between')}
                    </label>
                    <input
                        id="run-items"
                        value={typed}
                        onChange={(event) => {
                            setTyped(event.target.value);
                            onChange({ items: event.target.value.split(/[\s,;]+/).filter(Boolean) });
                        }}
                        className={`${FIELD} mt-0.5 w-full`}
                    />
                </div>
            )}
        </fieldset>
    );
}
