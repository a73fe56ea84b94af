import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { moment } from '@/lib/format';
import { deleteJson, postJson } from '@/lib/http';
import type { AccountPage, SessionRow, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { CalendarFeed } from '@/pages/parts/CalendarFeed';

/** Who is signed in, and another password. */
export default function Account({ email, shortest, feedSince, sessions }: AccountPage) {
    const { user } = useShared();
    const [old, setOld] = useState('');
    const [fresh, setFresh] = useState('');
    const [again, setAgain] = useState('');
    const change = useCommand<undefined, Told>(
        () => postJson<Told>('/account/password', { old, new: fresh }),
        () => {
            setOld('');
            setFresh('');
            setAgain('');
        },
    );
    const differs = again !== '' && again !== fresh;
    return (
        <>
            <PageHead title={t('Your account')} />
            <div className="max-w-[560px]">
                <dl className="mb-5 grid grid-cols-[8rem_1fr] gap-y-1">
                    <dt className="text-mute">{t('Name')}</dt>
                    <dd className="font-semibold">{user.name}</dd>
                    <dt className="text-mute">{t('Email address')}</dt>
                    <dd>{email}</dd>
                    <dt className="text-mute">{t('Role')}</dt>
                    <dd>{user.role}</dd>
                </dl>
                <form
                    onSubmit={(event) => {
                        event.preventDefault();
                        change.send(undefined);
                    }}
                >
                    <h2 className="mb-1 text-lg font-bold">{t('Another password')}</h2>
                    <p className="mb-3 text-mute">
                        {t('At least :least letters, and none that others have too: four words of your own are easy to keep.', {
                            least: shortest,
                        })}
                    </p>
                    <Secret id="password-old" label={t('Present password')} value={old} onChange={setOld} complete="current-password" />
                    <Secret id="password-new" label={t('New password')} value={fresh} onChange={setFresh} complete="new-password" />
                    <Secret
                        id="password-again"
                        label={t('New password once more')}
                        value={again}
                        onChange={setAgain}
                        complete="new-password"
                        trouble={differs ? t('The two are not the same.') : null}
                    />
                    <Button type="submit" look="act" disabled={change.busy || differs || old === '' || fresh === '' || again === ''}>
                        {t('Change it')}
                    </Button>
                </form>
                <div className="mt-3">
                    {change.trouble && <Notice tone="broken">{change.trouble}</Notice>}
                    {change.answer && <Notice tone="done">{change.answer.message}</Notice>}
                </div>
                <Sessions sessions={sessions} />
                <CalendarFeed since={feedSince} />
            </div>
        </>
    );
}

/** Where one is signed in. */
function Sessions({ sessions }: { sessions: SessionRow[] }) {
    const out = useCommand<undefined, Told>(
        () => deleteJson<Told>('/account/sessions'),
        () => router.reload(),
    );
    return (
        <section className="mt-6">
            <h2 className="mb-1 text-lg font-bold">{t('Where you are signed in')}</h2>
            <ul className="text-sm">
                {sessions.map((session, place) => (
                    <li key={place} className="flex gap-3 border-b border-soft py-1.5 last:border-0">
                        <span className="w-32 shrink-0">{moment(session.at)}</span>
                        <span className="w-28 shrink-0 text-mute">{session.where}</span>
                        <span className="min-w-0 flex-1 truncate text-mute" title={session.with}>
                            {session.isThis ? <strong className="text-ink">{t('here')}</strong> : session.with}
                        </span>
                    </li>
                ))}
            </ul>
            {sessions.length > 1 && (
                <Button className="mt-2" disabled={out.busy} onClick={() => out.send(undefined)}>
                    {t('Sign out elsewhere')}
                </Button>
            )}
            {out.trouble && <Notice tone="broken">{out.trouble}</Notice>}
            {out.answer && <Notice tone="done">{out.answer.message}</Notice>}
        </section>
    );
}

type SecretProps = {
    id: string;
    label: string;
    value: string;
    onChange: (value: string) => void;
    complete: string;
    trouble?: string | null;
};

function Secret({ id, label, value, onChange, complete, trouble = null }: SecretProps) {
    return (
        <div className="mb-3">
            <label htmlFor={id} className="block text-sm font-semibold">
                {label}
            </label>
            <input
                id={id}
                type="password"
                autoComplete={complete}
                required
                value={value}
                onChange={(event) => onChange(event.target.value)}
                aria-invalid={trouble !== null}
                aria-describedby={trouble === null ? undefined : `${id}-trouble`}
                className="mt-1 h-8 w-72 rounded border border-line bg-surface px-2.5"
            />
            {trouble && (
                <span id={`${id}-trouble`} className="ml-2 text-sm text-broken">
                    {trouble}
                </span>
            )}
        </div>
    );
}
