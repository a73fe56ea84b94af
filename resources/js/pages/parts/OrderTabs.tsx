import { Tabs } from '@/components/Tabs';
import { t } from '@/lib/t';

/** Orders, what leads to them and what follows them. */
export function OrderTabs({ on }: { on: 'orders' | 'requests' | 'chase' | 'letters' | 'movements' | 'count' }) {
    const tabs = [
        { key: 'orders', href: '/orders', label: t('Orders') },
        { key: 'requests', href: '/requests', label: t('Requests') },
        { key: 'chase', href: '/chase', label: t('To chase') },
        { key: 'letters', href: '/letters', label: t('Letters') },
        { key: 'movements', href: '/movements', label: t('Movements') },
        { key: 'count', href: '/count', label: t('Count') },
    ];
    return <Tabs label={t('Orders')} tabs={tabs} on={on} />;
}
