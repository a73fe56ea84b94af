import { Tabs } from '@/components/Tabs';
import { t } from '@/lib/t';

/** What is wanted: by orders, by forecasts, and what customers ask for. */
export function DemandTabs({ on }: { on: 'sales' | 'forecast' | 'jobs' | 'promise' }) {
    const tabs = [
        { key: 'sales', href: '/demand', label: t('Sales orders') },
        { key: 'forecast', href: '/demand?view=forecast', label: t('Forecast') },
        { key: 'jobs', href: '/jobs', label: t('Jobs') },
        { key: 'promise', href: '/promise', label: t('Promise') },
    ];
    return <Tabs label={t('Demand')} tabs={tabs} on={on} />;
}
