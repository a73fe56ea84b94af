import { Tabs } from '@/components/Tabs';
import { t } from '@/lib/t';

/** The views of the shop: how full it is, what runs when, what is done next, and how that is made anew. */
export function CapacityTabs({ on }: { on: 'load' | 'board' | 'worklist' | 'schedule' }) {
    const tabs = [
        { key: 'load', href: '/capacity', label: t('Load') },
        { key: 'board', href: '/board', label: t('Board') },
        { key: 'worklist', href: '/worklist', label: t('Work lists') },
        { key: 'schedule', href: '/schedule', label: t('Schedule') },
    ];
    return <Tabs label={t('Capacity')} tabs={tabs} on={on} />;
}
