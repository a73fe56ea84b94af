import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Link, router } from '@inertiajs/react';
import { Check, ChevronDown, MapPin } from 'lucide-react';
import { PlanChip } from '@/layout/PlanChip';
import { RunPanel } from '@/layout/RunPanel';
import { SearchPalette } from '@/layout/SearchPalette';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** Which site, which plan and how old it is; run, search, who is signed in. */
export function TopBar() {
    return (
        <header className="flex h-12 shrink-0 items-center gap-2.5 border-b border-line px-3.5">
            <SitePicker />
            <PlanChip />
            <RunPanel />
            <div className="ml-auto flex items-center gap-2.5">
                <SearchPalette />
                <Person />
            </div>
        </header>
    );
}

function SitePicker() {
    const { sites, site } = useShared();
    const choices = [{ code: '', name: t('All sites') }, ...sites];
    return (
        <Menu>
            <MenuButton className="flex h-[30px] items-center gap-1.5 rounded border border-line bg-surface px-2.5 text-base font-semibold hover:border-mute">
                <MapPin size={14} className="text-mute" aria-hidden />
                {choices.find((choice) => choice.code === site)?.name}
                <ChevronDown size={14} className="text-mute" aria-hidden />
            </MenuButton>
            <MenuItems
                anchor="bottom start"
                className="z-30 min-w-44 rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                {choices.map((choice) => (
                    <MenuItem key={choice.code}>
                        <button
                            type="button"
                            onClick={() => router.post('/site', { site: choice.code }, { preserveScroll: true })}
                            className="flex w-full items-center justify-between gap-4 px-3 py-1 text-left data-focus:bg-act-tint"
                        >
                            {choice.name}
                            {choice.code === site && <Check size={13} aria-hidden />}
                        </button>
                    </MenuItem>
                ))}
            </MenuItems>
        </Menu>
    );
}

function Person() {
    const { user } = useShared();
    const initials = user.name
        .split(' ')
        .map((name) => name.charAt(0))
        .slice(0, 2)
        .join('');
    return (
        <Menu>
            <MenuButton className="flex size-[30px] items-center justify-center rounded-full bg-act-tint text-xs font-bold text-act-dark">
                <span aria-hidden>{initials}</span>
                <span className="sr-only">{t(':name, :role', { name: user.name, role: user.role })}</span>
            </MenuButton>
            <MenuItems
                anchor="bottom end"
                className="z-30 min-w-44 rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                <div className="border-b border-soft px-3 pt-1 pb-2">
                    <div className="font-semibold">{user.name}</div>
                    <div className="text-mute">{user.role}</div>
                </div>
                {user.can.includes('make studies') && (
                    <MenuItem>
                        <a href="/bundle.zip" className="block px-3 py-1.5 data-focus:bg-act-tint">
                            {t('Take the data as a bundle')}
                        </a>
                    </MenuItem>
                )}
                {user.can.includes('keep settings') && (
                    <MenuItem>
                        <Link href="/company" className="block px-3 py-1.5 data-focus:bg-act-tint">
                            {t('Company and people')}
                        </Link>
                    </MenuItem>
                )}
                <MenuItem>
                    <Link href="/account" className="block px-3 py-1.5 data-focus:bg-act-tint">
                        {t('Your account')}
                    </Link>
                </MenuItem>
                <MenuItem>
                    <button
                        type="button"
                        onClick={() => router.post('/sign-out')}
                        className="block w-full px-3 py-1.5 text-left data-focus:bg-act-tint"
                    >
                        {t('Sign out')}
                    </button>
                </MenuItem>
            </MenuItems>
        </Menu>
    );
}
