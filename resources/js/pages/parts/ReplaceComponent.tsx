import { useState } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { PanelHead } from '@/components/PanelHead';
import { useDraft } from '@/lib/draft';
import { postJson } from '@/lib/http';
import type { DataEdit, OutlineLine } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** Another component in the place of one: in this line, or in every structure that has it, which are named first. */
export function ReplaceComponent({ line, onClose }: { line: OutlineLine; onClose: () => void }) {
    const draft = useDraft();
    const [by, setBy] = useState('');
    const look = useCommand(() => postJson<DataEdit>('/structure/replace', { component: line.component, by: by.trim() }));
    const edit = look.answer;
    const words = { component: line.component, by: by.trim(), item: line.item };
    const here = async () => {
        const rows = [{ ...line.values, component: by.trim() }];
        if (
            await draft.add(
                [{ change: 'put_rows', kind: 'bom', rows, removed: [line.identity] }],
                t(':by in the place of :component in :item', words),
            )
        ) {
            onClose();
        }
    };
    const everywhere = async () => {
        if (
            edit?.change &&
            (await draft.add([JSON.parse(edit.change) as { change: string }], t(':by in the place of :component everywhere', words)))
        ) {
            onClose();
        }
    };
    return (
        <>
            <PanelHead title={t('In the place of :component', { component: line.component })} onClose={onClose} />
            <form
                className="mt-2 flex flex-col items-start gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (by.trim() !== '') {
                        void here();
                    }
                }}
            >
                <CodeField
                    autoFocus
                    label={t('The component to take its place')}
                    of="items"
                    value={by}
                    onChange={(code) => {
                        setBy(code);
                        look.clear();
                    }}
                    className="w-full"
                />
                <Button type="submit" look="draft" disabled={by.trim() === '' || draft.busy}>
                    {t('Draft it in :item', { item: line.item })}
                </Button>
                <Button disabled={by.trim() === '' || look.busy} onClick={() => look.send(undefined)}>
                    {t('See where else it is used')}
                </Button>
            </form>
            {(look.trouble ?? draft.trouble) && (
                <p role="alert" className="mt-2 text-sm font-semibold text-broken">
                    {look.trouble ?? draft.trouble}
                </p>
            )}
            {edit !== null && (
                <div className="mt-3 text-sm">
                    <ul className="mb-2">
                        {edit.some.map((one) => (
                            <li key={`${one.row} ${one.what}`} className="border-b border-soft py-1">
                                <strong>{one.row}</strong> {one.what}
                            </li>
                        ))}
                        {edit.count > edit.some.length && (
                            <li className="text-mute">{t('and :n more', { n: edit.count - edit.some.length })}</li>
                        )}
                    </ul>
                    <Button look="draft" disabled={draft.busy || edit.change === null} onClick={() => void everywhere()}>
                        {tn('Draft it in 1 structure', 'Draft it in all :n structures', edit.count)}
                    </Button>
                </div>
            )}
        </>
    );
}
