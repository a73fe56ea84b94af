import { Download } from 'lucide-react';
import { t } from '@/lib/t';

/** The list on screen as a CSV file, filtered as it is. */
export function ExportLink({ list, params }: { list: 'proposals' | 'messages' | 'plan' | 'flow'; params: Record<string, string> }) {
    const query = new URLSearchParams(Object.entries(params).filter(([, value]) => value !== '')).toString();
    return (
        <a
            href={`/sheets/${list}.csv?${query}`}
            title={t('As a text file (CSV)')}
            className="flex h-[27px] items-center gap-1.5 text-sm text-mute hover:text-ink"
        >
            <Download size={14} aria-hidden />
            {t('Export')}
        </a>
    );
}
