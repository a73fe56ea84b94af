<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\KeepPerson;
use App\Actions\RetireUser;
use App\Models\User;
use App\Support\Refused;
use App\Support\Roles;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;

final class UserCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:user {email} {name?} {role? : planner, buyer, scheduler, sales, viewer or administrator}
        {--password= : made up and shown when it is not given}
        {--retire : take their way in; what they did stays under their name}';

    protected $description = 'Add a person who may sign in, change their name, role and password, or retire them';

    public function handle(KeepPerson $keep, RetireUser $retire): int
    {
        $email = Str::lower((string) $this->argument('email'));
        $person = User::query()->where('email', $email)->first();
        if ($this->option('retire')) {
            return $this->retire($person, $email, $retire);
        }
        $given = ['email' => $email, 'name' => $this->argument('name'), 'role' => $this->argument('role')];
        $check = Validator::make($given, [
            'email' => 'required|email|max:190', 'name' => 'required|string|max:190',
            'role' => 'required|in:'.implode(',', array_keys(Roles::OF)),
        ]);
        if ($check->fails()) {
            $this->complain(array_values($check->errors()->all()));

            return 2;
        }
        $asked = $this->option('password');
        try {
            ['password' => $made] = $keep($email, (string) $given['name'], (string) $given['role'], null, is_string($asked) ? $asked : null);
        } catch (Refused $refused) {
            $this->complain([$refused->sentence()]);

            return 2;
        }
        $this->line("{$given['name']} signs in as {$email}".($made === null ? '' : " with the password {$made}").'.');

        return 0;
    }

    private function retire(?User $person, string $email, RetireUser $retire): int
    {
        if ($person === null) {
            $this->complain(["There is nobody with the address {$email}."]);

            return 2;
        }
        $retire($person);
        $this->line("{$person->name} does not sign in any more.");

        return 0;
    }
}
