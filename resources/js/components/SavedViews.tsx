import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { router } from '@inertiajs/react';
import { Bookmark, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { deleteJson, postJson } from '@/lib/http';
import type { SavedView } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** Filters that the person keeps by name, to come back to. */
export function SavedViews({
    page,
    path,
    views,
    filter,
}: {
    page: string;
    path: string;
    views: SavedView[];
    filter: Record<string, string>;
}) {
    const [list, setList] = useState(views);
    const [name, setName] = useState('');
    const query = new URLSearchParams(Object.entries(filter).filter(([, value]) => value !== '')).toString();
    const { send, busy, trouble } = useCommand(
        (change: () => Promise<{ views: SavedView[] }>) => change(),
        (next) => {
            setList(next.views);
            setName('');
        },
    );
    return (
        <Popover>
            <PopoverButton className="inline-flex h-[27px] items-center gap-1.5 rounded-full border border-line bg-surface px-3 text-sm font-semibold hover:border-mute">
                <Bookmark size={13} aria-hidden />
                {t('Views')}
            </PopoverButton>
            <PopoverPanel
                anchor="bottom start"
                className="z-30 w-[260px] rounded border border-line bg-surface p-2 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                <ul>
                    {list.map((view) => (
                        <li key={view.name} className="flex items-center">
                            <button
                                type="button"
                                className="min-w-0 flex-1 truncate rounded px-2 py-1 text-left hover:bg-act-tint"
                                onClick={() => router.get(`${path}?${view.query}`)}
                            >
                                {view.name}
                            </button>
                            <button
                                type="button"
                                aria-label={t('Forget :name', { name: view.name })}
                                className="p-1 text-mute hover:text-ink"
                                disabled={busy}
                                onClick={() =>
                                    send(() => deleteJson(`/views?${new URLSearchParams({ page, name: view.name }).toString()}`))
                                }
                            >
                                <X size={14} aria-hidden />
                            </button>
                        </li>
                    ))}
                    {list.length === 0 && <li className="px-2 py-1 text-mute">{t('No view is kept yet.')}</li>}
                </ul>
                <form
                    className="mt-1 flex gap-2 border-t border-line pt-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        send(() => postJson('/views', { page, name, query }));
                    }}
                >
                    <input
                        required
                        maxLength={80}
                        value={name}
                        onChange={(event) => setName(event.target.value)}
                        aria-label={t('Name for these filters')}
                        placeholder={t('Name for these filters')}
                        className="h-[28px] min-w-0 flex-1 rounded border border-line bg-surface px-2"
                    />
                    <Button type="submit">{t('Keep')}</Button>
                </form>
                {trouble && <p className="mt-1 text-broken">{trouble}</p>}
            </PopoverPanel>
        </Popover>
    );
}
