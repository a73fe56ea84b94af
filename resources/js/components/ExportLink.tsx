import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Download } from 'lucide-react';
import { t } from '@/lib/t';

export type Sheet = 'proposals' | 'messages' | 'plan' | 'flow' | 'sales' | 'orders' | 'journal' | 'shortages' | 'reservations' | 'data';

/** The list on screen as a file, filtered as it is. */
export function ExportLink({ list, params }: { list: Sheet; params: Record<string, string> }) {
    const query = new URLSearchParams(Object.entries(params).filter(([, value]) => value !== '')).toString();
    const formats = [
        { format: 'xlsx', label: t('As a workbook (XLSX)') },
        { format: 'csv', label: t('As a text file (CSV)') },
        { format: 'html', label: t('To print') },
    ];
    return (
        <Menu>
            <MenuButton className="flex h-[27px] items-center gap-1.5 text-sm text-mute hover:text-ink">
                <Download size={14} aria-hidden />
                {t('Export')}
            </MenuButton>
            <MenuItems
                anchor="bottom end"
                className="z-30 rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                {formats.map(({ format, label }) => (
                    <MenuItem key={format}>
                        <a
                            href={`/sheets/${list}.${format}?${query}`}
                            target={format === 'html' ? '_blank' : undefined}
                            className="block px-3 py-1 data-focus:bg-act-tint"
                        >
                            {label}
                        </a>
                    </MenuItem>
                ))}
            </MenuItems>
        </Menu>
    );
}
