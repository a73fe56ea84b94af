<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Yposta\Core\Support\Phrase;

/** Adds people, gives them names, roles and passwords, and takes their way in. Somebody who can do so always stays. */
final readonly class KeepPerson
{
    private const LETTERS = 16;

    public function __construct(private ChangePassword $password, private RetireUser $retire)
    {
    }

    /**
     * Adds somebody, or takes somebody back who was retired; a person who is there gets another name and role.
     *
     * @param  User|null  $by  null on the command line
     * @param  string|null  $password  null makes one up for who has none
     * @return array{person: User, password: string|null} and the password, where one was made up
     *
     * @throws Refused when a role is none, a password not good, or nobody would be left who keeps the others
     */
    public function __invoke(string $email, string $name, string $role, ?User $by, ?string $password = null): array
    {
        $this->may($by);
        isset(Roles::OF[$role]) || throw Refused::because('people.role', ['role' => $role], 'role');

        return DB::transaction(function () use ($email, $name, $role, $by, $password): array {
            WriteTurn::take();
            Roles::install();
            $email = Str::lower($email);
            $person = User::query()->where('email', $email)->first();
            $isNew = $person === null || $person->retired_at !== null;
            $person !== null && $role !== Roles::ADMINISTRATOR && $this->isNotTheLast($person);
            $person ??= new User(['email' => $email, 'password' => '']);
            $person->forceFill(['name' => $name, 'retired_at' => null])->save();
            $before = (string) $person->getRoleNames()->first();
            $person->syncRoles([$role]);
            $made = $password === null && $isNew ? Str::password(self::LETTERS, symbols: false) : null;
            ($password ?? $made) === null || $this->password->set($person, (string) ($password ?? $made));
            $before === $role || $isNew || ChangePassword::signOut($person, $by?->is($person) === true ? session()->getId() : null);
            $by === null || Journal::note('people', Words::say(new Phrase($isNew ? 'journal.people.added' : 'journal.people.changed', [
                'name' => $name, 'email' => $email, 'role' => $role,
            ])), $by);

            return ['person' => $person, 'password' => $made];
        });
    }

    /**
     * @return string a new password, told once
     *
     * @throws Refused when there is nobody of that address
     */
    public function freshPassword(string $email, User $by): string
    {
        $this->may($by);

        return DB::transaction(function () use ($email, $by): string {
            WriteTurn::take();
            $person = $this->known($email);
            $password = Str::password(self::LETTERS, symbols: false);
            $this->password->set($person, $password);
            Journal::note('people', Words::say(new Phrase('journal.people.password', ['name' => $person->name])), $by);

            return $password;
        });
    }

    /** @throws Refused when there is nobody of that address, it is oneself, or nobody would be left who keeps the others */
    public function retire(string $email, User $by): User
    {
        $this->may($by);

        return DB::transaction(function () use ($email, $by): User {
            WriteTurn::take();
            $person = $this->known($email);
            $by->is($person) && throw Refused::because('people.oneself', [], 'oneself');
            $this->isNotTheLast($person);
            ($this->retire)($person);
            Journal::note('people', Words::say(new Phrase('journal.people.retired', ['name' => $person->name])), $by);

            return $person;
        });
    }

    private function may(?User $by): void
    {
        $by === null || $by->can(Roles::SETTINGS) || throw Refused::because('people.forbidden', [], 'forbidden');
    }

    private function known(string $email): User
    {
        return User::query()->where('email', Str::lower($email))->whereNull('retired_at')->first()
            ?? throw Refused::because('people.unknown', ['email' => $email], 'gone');
    }

    private function isNotTheLast(User $person): void
    {
        $others = User::role(Roles::ADMINISTRATOR)->whereNull('retired_at')->whereKeyNot($person->id)->exists();
        $others || ! $person->hasRole(Roles::ADMINISTRATOR) || throw Refused::because('people.last', ['name' => $person->name], 'last');
    }
}
