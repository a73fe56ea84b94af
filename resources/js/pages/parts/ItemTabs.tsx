import { Tabs } from '@/components/Tabs';
import { t } from '@/lib/t';

/** The pages of one item: what the plan does with it, what is kept of it, what it is made of. */
export function ItemTabs({ item, on }: { item: string; on: 'plan' | 'about' | 'structure' }) {
    const code = encodeURIComponent(item);
    const tabs = [
        { key: 'plan', href: `/item?item=${code}`, label: t('In the plan') },
        { key: 'about', href: `/about?of=items&code=${code}`, label: t('What is kept of it') },
        { key: 'structure', href: `/structure?item=${code}`, label: t('What it is made of') },
    ];
    return <Tabs label={item} tabs={tabs} on={on} />;
}
