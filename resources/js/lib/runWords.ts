import { day } from '@/lib/format';
import type { RunChoices } from '@/lib/shapes';
import { type Sentence, t, tn } from '@/lib/t';

/** Kinds of supply, as they are chosen for a run. */
export const SUPPLIES: Record<RunChoices['supply'][number], Sentence> = {
    stock: 'stock',
    purchase: 'purchase orders',
    production: 'production orders',
    transfer: 'transfer orders',
};

/** Sites by their codes, with their names. */
type Sites = { code: string; name: string }[];

export type RunGroup = 'demand' | 'supply' | 'where' | 'items' | 'until' | 'rules' | 'shop';

export const RUN_GROUPS: Record<RunGroup, Sentence> = {
    demand: 'Demand',
    supply: 'Supply',
    where: 'Sites',
    items: 'Items',
    until: 'Time',
    rules: 'Rules',
    shop: 'Production',
};

const listed = (names: string[]) => names.join(', ');

/** What is chosen for a run, in words. */
export function runWords(group: RunGroup, chosen: RunChoices, sites: Sites, planDate: string): string {
    const words = wordsOf(group, chosen, sites, planDate);
    return words.charAt(0).toLocaleUpperCase() + words.slice(1);
}

function wordsOf(group: RunGroup, chosen: RunChoices, sites: Sites, planDate: string): string {
    switch (group) {
        case 'demand':
            return demandWords(chosen);
        case 'supply':
            return chosen.supply.length === Object.keys(SUPPLIES).length
                ? t('Stock and all open orders')
                : chosen.supply.length === 0
                  ? t('Nothing that is there: all is planned anew')
                  : t('Only :what', { what: listed(chosen.supply.map((one) => t(SUPPLIES[one]))) });
        case 'where':
            return chosen.sites === null
                ? t('All sites')
                : listed(chosen.sites.map((one) => sites.find(({ code }) => code === one)?.name ?? one));
        case 'items':
            return itemWords(chosen);
        case 'until':
            return [
                chosen.horizonEnd ? t('up to :day', { day: day(chosen.horizonEnd, planDate) }) : t('as far as usual'),
                { day: t('shown by day'), week: t('shown by week'), month: t('shown by month') }[chosen.bucket],
                chosen.calendars ? t('working days only') : t('every day works'),
            ].join(', ');
        case 'rules':
            return [
                chosen.safetyStock ? t('safety stock counts') : t('no safety stock'),
                chosen.pegByPriority ? t('served by priority') : t('served by date'),
                t('open orders brought in by up to :late days, pushed out if more than :early too early', {
                    early: chosen.pushOutDays,
                    late: chosen.bringInDays,
                }),
            ].join(', ');
        case 'shop':
            return chosen.schedule
                ? tn(
                      'There when the shop can do it, proposals of 1 day too',
                      'There when the shop can do it, proposals of :n days too',
                      chosen.scheduleDays,
                  )
                : t('There after its lead time');
    }
}

function demandWords(chosen: RunChoices): string {
    const forecasts = chosen.demand.includes('forecast') ? chosen.forecasts : [];
    const sales = chosen.demand.includes('sales');
    if (forecasts.length === 0) {
        return sales ? t('What is ordered, no forecast') : t('None');
    }
    const names = listed(forecasts);
    return [
        sales ? t('What is ordered, and forecast :names', { names }) : t('Only forecast :names', { names }),
        ...(sales && !chosen.consume ? [t('orders do not consume it')] : []),
        ...(chosen.spread ? [t('spread over its days')] : []),
    ].join(', ');
}

function itemWords(chosen: RunChoices): string {
    const named = [...chosen.families, ...chosen.items];
    return chosen.soldOnly
        ? t('What is sold or forecast, and what goes into it')
        : named.length > 0
          ? t(':what, and what goes into it', { what: listed(named) })
          : t('All levels');
}
