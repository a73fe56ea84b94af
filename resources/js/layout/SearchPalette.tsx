import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { router } from '@inertiajs/react';
import { Search } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Hit, HitKind } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useSettled } from '@/lib/useSettled';
import { HITS } from '@/lib/words';

type Found = Omit<Hit, 'kind'> & { kind: HitKind | 'command' };

/** Places to go, found by any words that people use for them: each word typed begins one of theirs. */
export function commands(text: string): Found[] {
    const all: { label: string; words: string; href: string }[] = [
        { label: t('Today'), words: t('start, what to do, worklist'), href: '/' },
        { label: t('Demand: sales'), words: t('sales orders, customer orders, sales lines'), href: '/demand' },
        { label: t('Demand: forecast'), words: t('outlook, budget, prediction'), href: '/demand?view=forecast' },
        { label: t('Jobs'), words: t('projects, activities, placeholders, approve'), href: '/jobs' },
        { label: t('Plan: in trouble'), words: t('requirements, balance, stock, negative, items'), href: '/plan?trouble=1&sort=urgency' },
        { label: t('Shortages'), words: t('missing material, cover, stockout, late material, ways out, remedies'), href: '/shortages' },
        { label: t('Load'), words: t('capacity, work centres, utilisation, overload, machines, people, hours'), href: '/capacity' },
        { label: t('Schedule'), words: t('capacity, sequence, finite, machines, operations, shop, setup, improve'), href: '/schedule' },
        {
            label: t('When is it complete?'),
            words: t('availability, can we make it, promise, delivery date, earliest day'),
            href: '/complete',
        },
        { label: t('Reservations'), words: t('hold, reserve, allocate, held stock'), href: '/reservations' },
        { label: t('Movements'), words: t('ledger, receipts, issues, shipments, counts, stock history'), href: '/movements' },
        { label: t('Requests'), words: t('purchase requests, buyer, to order'), href: '/requests' },
        { label: t('To chase'), words: t('suppliers, late, not confirmed, reminders'), href: '/chase' },
        { label: t('Letters'), words: t('mail, sent orders, outbox'), href: '/letters' },
        { label: t('Count'), words: t('stock count, inventory, differences'), href: '/count' },
        { label: t('Journal'), words: t('history, log, who changed, undo'), href: '/journal' },
        {
            label: t('Proposals due today'),
            words: t('recommendations, planned orders, convert, buy, order now'),
            href: '/proposals?until=today',
        },
        { label: t('Open orders'), words: t('purchase orders, production orders, transfers, overdue'), href: '/orders' },
        { label: t('Messages to work through'), words: t('exceptions, alerts, reschedule, bring in, push out, cancel'), href: '/messages' },
        { label: t('Studies'), words: t('what if, scenario, simulate, try'), href: '/studies' },
        { label: t('New study'), words: t('what if, scenario, simulate, try'), href: '/studies?open=new' },
        { label: t('Compare plans'), words: t('difference, before and after, versus'), href: '/compare' },
        { label: t('Data'), words: t('master data, items, structures, suppliers, calendars, import, bring in'), href: '/data' },
        { label: t('Costs and margins'), words: t('price, profit, roll up, what if'), href: '/costs' },
        { label: t('Your account'), words: t('password, sign out'), href: '/account' },
    ];
    const typed = text.toLowerCase().split(/\s+/).filter(Boolean);
    return all
        .filter(({ label, words }) => {
            const known = `${label} ${words}`.toLowerCase().split(/[\s,:]+/);
            return typed.every((word) => known.some((one) => one.startsWith(word)));
        })
        .map(({ label, href }) => ({ kind: 'command', label, note: '', href }));
}

/** Finds anything: items, orders, customers, suppliers, and places to go. Ctrl K puts the cursor here. */
export function SearchPalette() {
    const [text, setText] = useState('');
    const settled = useSettled(text.trim(), 120);
    const { data, isOld } = useLoaded<Hit[]>(settled === '' ? null : `/search?${new URLSearchParams({ q: settled }).toString()}`);
    const input = useRef<HTMLInputElement>(null);

    useEffect(() => {
        const focus = (event: globalThis.KeyboardEvent) => {
            if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
                event.preventDefault();
                input.current?.focus();
                input.current?.select();
            }
        };
        window.addEventListener('keydown', focus);
        return () => window.removeEventListener('keydown', focus);
    }, []);

    // what was found for the letters before stays only as far as it fits those of now, so that Enter takes nothing else
    const typed = text.trim().toLowerCase();
    const fits = ({ label, note }: Hit) => `${label} ${note}`.toLowerCase().includes(typed);
    const hits = isOld || settled !== text.trim() ? (data ?? []).filter(fits) : (data ?? []);
    const found = typed === '' ? commands('') : [...hits, ...commands(text.trim())];
    return (
        <Combobox<Hit | null>
            value={null}
            immediate
            onChange={(hit) => {
                if (hit) {
                    setText('');
                    input.current?.blur();
                    router.visit(hit.href);
                }
            }}
        >
            <div className="relative flex items-center">
                <Search size={15} className="absolute left-2.5 text-mute" aria-hidden />
                <ComboboxInput
                    ref={input}
                    aria-label={t('Find anything')}
                    placeholder={t('Find anything')}
                    autoComplete="off"
                    displayValue={() => text}
                    onChange={(event) => setText(event.target.value)}
                    className="h-[30px] w-[250px] rounded border border-line bg-surface pr-14 pl-8 text-base hover:border-mute"
                />
                <kbd className="pointer-events-none absolute right-2 rounded border border-line bg-paper px-1.5 font-sans text-2xs text-mute">
                    {t('Ctrl K')}
                </kbd>
            </div>
            <ComboboxOptions
                anchor="bottom end"
                className="z-40 max-h-[70vh] w-[360px] overflow-auto rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] empty:hidden"
            >
                {found.map((hit, place) => (
                    <ComboboxOption key={`${hit.kind} ${hit.href} ${hit.label}`} value={hit} className="group cursor-pointer">
                        {hit.kind !== found[place - 1]?.kind && (
                            <div className="px-3 pt-1.5 pb-0.5 text-xs font-bold text-mute">{t(HITS[hit.kind])}</div>
                        )}
                        <div className="flex items-baseline gap-2 px-3 py-1 group-data-focus:bg-act-tint">
                            <span className="font-semibold">{hit.label}</span>
                            <span className="truncate text-mute">{hit.note}</span>
                        </div>
                    </ComboboxOption>
                ))}
                {found.length === 0 && <div className="px-3 py-2 text-mute">{t('Nothing found for ":text"', { text })}</div>}
            </ComboboxOptions>
        </Combobox>
    );
}
