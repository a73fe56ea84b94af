import type { SignInPage } from '@/lib/shapes';
import { Head, useForm } from '@inertiajs/react';
import type { ReactNode } from 'react';
import { Button } from '@/components/Button';
import { Mark } from '@/layout/Rail';
import { t } from '@/lib/t';

interface Account {
    name: string;
    email: string;
    role: string;
    password: string;
}

export default function SignIn({ demo }: SignInPage) {
    const form = useForm({ email: '', password: '' });
    return (
        <div className="flex min-h-screen items-center justify-center gap-10 p-6">
            <Head title={t('Sign in')} />
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post('/sign-in');
                }}
                className="w-[320px] rounded border border-line bg-surface p-6"
            >
                <h1 className="mb-4 flex items-center gap-2 text-xl font-bold">
                    <Mark /> Yposta
                </h1>
                {form.errors.email && (
                    <p role="alert" className="mb-3 rounded bg-broken-tint px-2.5 py-1.5 text-sm">
                        {form.errors.email}
                    </p>
                )}
                <label htmlFor="email" className="block text-sm font-semibold">
                    {t('Email address')}
                </label>
                <input
                    id="email"
                    type="email"
                    autoComplete="username"
                    required
                    autoFocus
                    value={form.data.email}
                    onChange={(event) => form.setData('email', event.target.value)}
                    className="mt-1 mb-3 h-8 w-full rounded border border-line bg-paper px-2.5"
                />
                <label htmlFor="password" className="block text-sm font-semibold">
                    {t('Password')}
                </label>
                <input
                    id="password"
                    type="password"
                    autoComplete="current-password"
                    required
                    value={form.data.password}
                    onChange={(event) => form.setData('password', event.target.value)}
                    className="mt-1 mb-4 h-8 w-full rounded border border-line bg-paper px-2.5"
                />
                <Button type="submit" look="act" className="w-full justify-center" disabled={form.processing}>
                    {t('Sign in')}
                </Button>
            </form>
            {demo.length > 0 && (
                <DemoAccounts accounts={demo} onPick={(account) => form.setData({ email: account.email, password: account.password })} />
            )}
        </div>
    );
}

function DemoAccounts({ accounts, onPick }: { accounts: Account[]; onPick: (account: Account) => void }) {
    return (
        <section className="w-[340px]">
            <h2 className="text-lg font-bold">{t('This is a demo')}</h2>
            <p className="mb-2 text-mute">{t('Marrowby Instruments and everyone in it are made up. Pick who you want to be:')}</p>
            <ul>
                {accounts.map((account) => (
                    <li key={account.email}>
                        <button
                            type="button"
                            onClick={() => onPick(account)}
                            className="flex w-full items-baseline justify-between gap-3 border-b border-line px-2 py-1.5 text-left hover:bg-act-tint"
                        >
                            <span className="font-semibold">{account.name}</span>
                            <span className="text-mute">{account.role}</span>
                            <span className="ml-auto text-sm text-mute">{account.email}</span>
                        </button>
                    </li>
                ))}
            </ul>
            <p className="mt-2 text-sm text-mute">{t('All have the password :password.', { password: accounts[0]?.password ?? '' })}</p>
        </section>
    );
}

SignIn.layout = (page: ReactNode) => page;
