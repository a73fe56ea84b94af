import { router } from '@inertiajs/react';
import { useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { DataTable, type DataColumn } from '@/components/DataTable';
import { FIELD, Labelled } from '@/components/Labelled';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { SureDialog } from '@/components/SureDialog';
import { day, moment } from '@/lib/format';
import { postJson } from '@/lib/http';
import type { PeoplePage, PersonKept, PersonRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { type Sentence, t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { ROLES } from '@/lib/words';
import { CompanyTabs } from '@/pages/parts/CompanyTabs';

const ASKED: Record<'password' | 'retire', { title: Sentence; note: Sentence; yes: Sentence }> = {
    password: {
        title: 'Another password for them?',
        note: 'The old one opens nothing then; their sessions end at once.',
        yes: 'New password',
    },
    retire: { title: 'Take their way in?', note: 'Their sessions end at once. What they did stays under their name.', yes: 'Retire' },
};

interface Wish {
    url: string;
    body: Record<string, string>;
}

/** Who signs in, and as what. A password is made here and told once; each changes it under their own account. */
export default function People({ people, roles }: PeoplePage) {
    const { plan } = useShared();
    const [email, setEmail] = useState('');
    const [name, setName] = useState('');
    const [role, setRole] = useState('planner');
    const [asked, setAsked] = useState<{ what: 'password' | 'retire'; person: PersonRow } | null>(null);
    const first = useRef<HTMLInputElement>(null);
    const keep = useCommand<Wish, PersonKept>(
        ({ url, body }) => postJson<PersonKept>(url, body),
        (_, { url }) => {
            setEmail('');
            setName('');
            router.reload();
            if (url === '/people') {
                first.current?.focus(); // the next one
            }
        },
    );
    const active = people.filter((person) => person.retiredAt === null);
    const isReady = email.includes('@') && name.trim() !== '';
    const columns: DataColumn<PersonRow>[] = [
        {
            id: 'name',
            head: t('Name'),
            width: '190px',
            look: 'font-semibold',
            cell: (person) => (
                <>
                    {person.name} {person.isOneself && <span className="font-normal text-mute">{t('you')}</span>}
                </>
            ),
        },
        { id: 'email', head: t('Email address'), cell: (person) => person.email },
        {
            id: 'role',
            head: t('Role'),
            width: '150px',
            cell: (person) =>
                person.retiredAt === null ? (
                    <select
                        aria-label={t('Role of :name', { name: person.name })}
                        value={person.role}
                        disabled={keep.busy}
                        onClick={(event) => event.stopPropagation()}
                        onChange={(event) =>
                            keep.send({ url: '/people', body: { email: person.email, name: person.name, role: event.target.value } })
                        }
                        className={`${FIELD} !h-[26px] w-full`}
                    >
                        {roles.map((one) => (
                            <option key={one} value={one}>
                                {roleName(one)}
                            </option>
                        ))}
                    </select>
                ) : (
                    <span className="text-mute">{t('retired on :day', { day: day(person.retiredAt, plan.planDate) })}</span>
                ),
        },
        {
            id: 'seen',
            head: t('Signed in'),
            width: '130px',
            look: 'text-mute',
            cell: (person) => (person.seenAt === null ? '' : moment(person.seenAt)),
        },
        {
            id: 'do',
            head: '',
            about: t('What to do'),
            width: '230px',
            right: true,
            cell: (person) =>
                person.retiredAt === null && (
                    <>
                        <Button
                            look="quiet"
                            className="!h-6"
                            disabled={keep.busy}
                            aria-label={t('New password for :name', { name: person.name })}
                            onClick={() => setAsked({ what: 'password', person })}
                        >
                            {t('New password')}
                        </Button>
                        {!person.isOneself && (
                            <Button
                                look="quiet"
                                className="!h-6"
                                disabled={keep.busy}
                                aria-label={t('Retire :name', { name: person.name })}
                                onClick={() => setAsked({ what: 'retire', person })}
                            >
                                {t('Retire')}
                            </Button>
                        )}
                    </>
                ),
        },
    ];
    return (
        <>
            <PageHead title={t('People')}>{tn('1 person signs in', ':n people sign in', active.length)}</PageHead>
            <CompanyTabs on="people" />
            <form
                aria-label={t('Add somebody')}
                className="mb-3 flex flex-wrap items-end gap-3 rounded border border-line bg-surface px-3 py-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (isReady) {
                        keep.send({ url: '/people', body: { email, name, role } });
                    }
                }}
            >
                <Labelled label={t('Name')}>
                    <input
                        ref={first}
                        value={name}
                        maxLength={190}
                        onChange={(event) => setName(event.target.value)}
                        className={`${FIELD} w-48`}
                    />
                </Labelled>
                <Labelled label={t('Email address')}>
                    <input
                        type="email"
                        value={email}
                        maxLength={190}
                        onChange={(event) => setEmail(event.target.value)}
                        className={`${FIELD} w-64`}
                    />
                </Labelled>
                <Labelled label={t('Role')}>
                    <select value={role} onChange={(event) => setRole(event.target.value)} className={FIELD}>
                        {roles.map((one) => (
                            <option key={one} value={one}>
                                {roleName(one)}
                            </option>
                        ))}
                    </select>
                </Labelled>
                <Button type="submit" look="act" disabled={keep.busy || !isReady}>
                    {t('Add')}
                </Button>
            </form>
            {keep.trouble && <Notice tone="broken">{keep.trouble}</Notice>}
            {keep.answer && (
                <Notice tone="done" onClose={keep.clear}>
                    {keep.answer.message}
                    {keep.answer.password && (
                        <>
                            {' '}
                            {t('The password, told only now:')} <code className="font-bold">{keep.answer.password}</code>
                        </>
                    )}
                </Notice>
            )}
            <DataTable name="people" label={t('People')} columns={columns} rows={people} keyOf={(person) => person.email} />
            {asked && (
                <SureDialog
                    {...ASKED[asked.what]}
                    lines={[t(':name, :role', { name: asked.person.name, role: roleName(asked.person.role) })]}
                    onSure={() => {
                        keep.send({ url: `/people/${asked.what}`, body: { email: asked.person.email } });
                        setAsked(null);
                    }}
                    onBack={() => setAsked(null)}
                />
            )}
        </>
    );
}

function roleName(role: string): string {
    return role in ROLES ? t(ROLES[role as keyof typeof ROLES]) : role;
}
