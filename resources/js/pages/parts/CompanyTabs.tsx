import { Tabs } from '@/components/Tabs';
import { t } from '@/lib/t';

/** What administrators keep. */
export function CompanyTabs({ on }: { on: 'company' | 'people' }) {
    const tabs = [
        { key: 'company', href: '/company', label: t('Company') },
        { key: 'people', href: '/people', label: t('People') },
    ];
    return <Tabs label={t('Company and people')} tabs={tabs} on={on} />;
}
