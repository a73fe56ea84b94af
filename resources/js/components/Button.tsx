import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
    look?: 'act' | 'draft' | 'plain' | 'quiet';
}

const LOOKS = {
    act: 'bg-act text-surface border-act hover:bg-act-dark disabled:bg-faint disabled:border-faint',
    draft: 'bg-draft text-surface border-draft hover:brightness-90 disabled:bg-faint disabled:border-faint',
    plain: 'bg-surface border-line hover:border-mute disabled:text-faint',
    quiet: 'bg-transparent border-transparent text-act hover:underline disabled:text-faint',
};

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
    return (
        <button
            type={type}
            className={`inline-flex h-[30px] items-center gap-1.5 rounded border px-3 text-base font-semibold whitespace-nowrap ${LOOKS[look]} ${className}`}
            {...rest}
        />
    );
}
