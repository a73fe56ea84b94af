import { Link, router } from '@inertiajs/react';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { Inspector } from '@/layout/Shell';
import { rowKey } from '@/lib/dataRows';
import { qty } from '@/lib/format';
import { useDraft } from '@/lib/draft';
import type { DataRecord, OutlineLine, StructureOutline, StructurePage } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { DataForm } from '@/pages/parts/DataForm';
import { ItemTabs } from '@/pages/parts/ItemTabs';
import { LineQuantity } from '@/pages/parts/LineQuantity';
import { ReplaceComponent } from '@/pages/parts/ReplaceComponent';

/** What stands beside the outline; a line by its path, which stays when what it says is changed. */
type Beside = { what: 'line'; path: string } | { what: 'replace'; path: string } | { what: 'new'; like: DataRecord };

const STEP = 10;

const change = (rows: OutlineLine['values'][], removed: OutlineLine[]) => ({
    change: 'put_rows',
    kind: 'bom',
    rows,
    removed: removed.map((line) => line.identity),
});

/** What an item is made of, level by level, changed in place by mouse and keys; each change is a line of the draft. */
export default function Structure(page: StructurePage) {
    return <Outline key={page.outline.item} {...page} />;
}

function Outline({ outline: first, kind }: StructurePage) {
    const draft = useDraft();
    const { data } = useLoaded<StructureOutline>(
        draft.stamp === 0 ? null : `/structure/lines?${new URLSearchParams({ item: first.item }).toString()}`,
        draft.stamp,
    );
    const outline = data ?? first;
    const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
    const [beside, setBeside] = useState<Beside | null>(null);
    const [editing, setEditing] = useState<string | null>(null);
    const [other, setOther] = useState('');
    const lines = outline.lines;
    const pathOf = (line: OutlineLine): string =>
        `${line.parent < 0 ? '' : pathOf(lines[line.parent] as OutlineLine)}/${line.item} ${String(line.values.line)} ${String(line.values.site)}`;
    const picked = beside === null || beside.what === 'new' ? null : (lines.find((line) => pathOf(line) === beside.path) ?? null);
    const isHidden = (line: OutlineLine): boolean => {
        const above = line.parent < 0 ? null : (lines[line.parent] as OutlineLine);
        return above !== null && (folded.has(pathOf(above)) || isHidden(above));
    };
    const shown = lines.filter((line) => !isHidden(line));
    const fold = (line: OutlineLine, on: boolean) => {
        const next = new Set(folded);
        (on ? (path: string) => next.add(path) : (path: string) => next.delete(path))(pathOf(line));
        setFolded(next);
    };
    const siblings = (item: string) =>
        lines.filter(
            (line, place) =>
                line.item === item && lines.findIndex((one) => one.item === item && rowKeyOf(one) === rowKeyOf(line)) === place,
        );
    const begin = (item: string) => {
        const most = Math.max(0, ...siblings(item).map((line) => Number(line.values.line) || 0));
        setBeside({ what: 'new', like: { identity: [], record: '', values: { item, line: String(most + STEP), basis: 'unit' } } });
    };
    const move = (line: OutlineLine, by: number) => {
        const all = siblings(line.item);
        const neighbour = all[all.findIndex((one) => rowKeyOf(one) === rowKeyOf(line)) + by];
        if (neighbour) {
            const rows = [
                { ...line.values, line: neighbour.values.line ?? null },
                { ...neighbour.values, line: line.values.line ?? null },
            ];
            void draft.add(
                [change(rows, [line, neighbour])],
                t(':component moved in :item', { component: line.component, item: line.item }),
            );
        }
    };
    const takeAway = (line: OutlineLine) =>
        void draft.add([change([], [line])], t(':item without :component', { item: line.item, component: line.component }));
    const setQuantity = (line: OutlineLine, typed: string) => {
        setEditing(null);
        if (typed !== String(line.values.qty)) {
            void draft.add([change([{ ...line.values, qty: typed }], [line])]);
        }
    };
    const onKey = (event: KeyboardEvent, line: OutlineLine) => {
        if (event.target !== event.currentTarget || !draft.may) {
            return;
        }
        const keys: Record<string, () => void> = {
            Enter: () => setEditing(pathOf(line)),
            '+': () => fold(line, false),
            '-': () => fold(line, true),
            n: () => begin(line.item),
            i: () => begin(line.component),
            r: () => setBeside({ what: 'replace', path: pathOf(line) }),
            Delete: () => takeAway(line),
            ...(event.altKey && { ArrowUp: () => move(line, -1), ArrowDown: () => move(line, 1) }),
        };
        const work = event.ctrlKey || event.metaKey ? undefined : keys[event.key];
        if (work) {
            event.preventDefault();
            work();
        }
    };
    const columns: DataColumn<OutlineLine>[] = [
        {
            id: 'component',
            head: t('Component'),
            title: (line) => `${line.component} ${line.name}`,
            cell: (line) => (
                <span className="flex items-center gap-1" style={{ paddingLeft: `${(line.level - 1) * 18}px` }}>
                    {line.hasLines ? (
                        <button
                            type="button"
                            tabIndex={-1}
                            aria-label={
                                folded.has(pathOf(line))
                                    ? t('Unfold :item', { item: line.component })
                                    : t('Fold :item', { item: line.component })
                            }
                            onClick={(event) => {
                                event.stopPropagation();
                                fold(line, !folded.has(pathOf(line)));
                            }}
                        >
                            {folded.has(pathOf(line)) ? <ChevronRight size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
                        </button>
                    ) : (
                        <span className="w-3.5" />
                    )}
                    <strong>{line.component}</strong>
                    <span className="truncate text-mute">{line.name}</span>
                    {line.isPhantom && <span className="text-mute">{t('phantom')}</span>}
                    {line.isRetired && <span className="font-semibold text-look-ink">{t('retired')}</span>}
                    {line.isDrafted && <span className="font-semibold text-draft">{t('drafted')}</span>}
                </span>
            ),
        },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '150px',
            right: true,
            cell: (line) =>
                editing === pathOf(line) ? (
                    <LineQuantity line={line} onSet={(qty) => setQuantity(line, qty)} onBack={() => setEditing(null)} />
                ) : (
                    <>
                        <span className={line.isDrafted ? 'font-semibold text-draft' : ''}>{qty(line.qty)}</span>{' '}
                        <span className="text-mute">{line.unit}</span>
                    </>
                ),
        },
        {
            id: 'scrap',
            head: t('Scrap %'),
            width: '84px',
            right: true,
            wide: true,
            cell: (line) => (line.values.scrap === '0' ? '' : String(line.values.scrap)),
        },
        {
            id: 'site',
            head: t('Site'),
            width: '84px',
            look: 'pl-5',
            cell: (line) => (line.values.site === null ? t('all') : String(line.values.site)),
        },
        { id: 'line', head: t('Line'), width: '64px', right: true, cell: (line) => String(line.values.line) },
    ];
    return (
        <>
            <PageHead title={outline.item} tab={outline.item}>
                {outline.name}
            </PageHead>
            <ItemTabs item={outline.item} on="structure" />
            <div className="mb-2.5 flex flex-wrap items-center gap-3">
                {draft.may && <Button onClick={() => begin(outline.item)}>{t('New component')}</Button>}
                <form
                    className="flex items-center gap-1.5"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (other.trim() !== '') {
                            router.get('/structure', { item: other.trim() });
                        }
                    }}
                >
                    <CodeField
                        label={t('Another structure')}
                        placeholder={t('Another structure')}
                        of="items"
                        value={other}
                        onChange={setOther}
                        className="w-40"
                    />
                    <Button type="submit" disabled={other.trim() === ''}>
                        {t('Open')}
                    </Button>
                </form>
                <Link
                    href={`/structures?${new URLSearchParams({ first: outline.item }).toString()}`}
                    className="text-sm font-semibold text-act hover:underline"
                >
                    {t('Compare with another')}
                </Link>
                <Link href={`/data?kind=bom&opens=bring`} className="text-sm font-semibold text-act hover:underline">
                    {t('Paste parents, components and quantities')}
                </Link>
                <span className="ml-auto text-sm text-mute">
                    {t('Enter quantity, N beside, I into, R another, Delete, Alt and arrows')}
                </span>
            </div>
            {draft.trouble && beside === null && <Notice tone="broken">{draft.trouble}</Notice>}
            {outline.isCut && <Notice tone="broken">{tn('Only 1 line is shown.', 'Only :n lines are shown.', lines.length)}</Notice>}
            {lines.length === 0 ? (
                <Empty title={t('It is made of nothing yet')}>{t('Give it its first component, or paste some.')}</Empty>
            ) : (
                <DataTable
                    name="structure"
                    label={t('Structure of :item', { item: outline.item })}
                    columns={columns}
                    rows={shown}
                    keyOf={(line) => pathOf(line)}
                    level={(line) => line.level}
                    open={picked === null ? null : pathOf(picked)}
                    onOpen={(line) => setBeside({ what: 'line', path: pathOf(line) })}
                    onKey={onKey}
                    narrow={beside !== null}
                />
            )}
            {outline.usedIn.length > 0 && (
                <section aria-label={t('Goes into')} className="mt-4 text-sm">
                    <h2 className="mb-1 font-bold">{t('Goes into')}</h2>
                    <ul className="flex flex-wrap gap-x-6 gap-y-1">
                        {outline.usedIn.map((one) => (
                            <li key={`${one.row} ${one.what}`}>
                                <Link
                                    href={`/structure?item=${encodeURIComponent(one.row)}`}
                                    className="font-semibold text-act hover:underline"
                                >
                                    {one.row}
                                </Link>{' '}
                                {one.what}
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            {beside !== null && (picked !== null || beside.what === 'new') && (
                <Inspector label={t('A line of the structure')}>
                    {beside.what === 'replace' && picked !== null ? (
                        <ReplaceComponent key={beside.path} line={picked} onClose={() => setBeside(null)} />
                    ) : (
                        <DataForm
                            key={picked === null ? `new ${JSON.stringify(beside)}` : rowKeyOf(picked)}
                            kind={kind}
                            row={picked === null ? null : { identity: picked.identity, record: '', values: picked.values }}
                            like={beside.what === 'new' ? beside.like : null}
                            onClose={() => setBeside(null)}
                            onCopy={(like) => setBeside({ what: 'new', like })}
                        />
                    )}
                </Inspector>
            )}
        </>
    );
}

const rowKeyOf = (line: OutlineLine): string => rowKey({ identity: line.identity, record: '', values: {} });
