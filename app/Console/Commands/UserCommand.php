<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use App\Support\Roles;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;

final class UserCommand extends Command
{
    use TellsOnStandardError;

    protected $signature = 'yposta:user {email} {name} {role : planner, buyer, scheduler, sales, viewer or administrator} {--password= : made up and shown when it is not given}';

    protected $description = 'Add a person who may sign in, or change their name, role and password';

    public function handle(): int
    {
        $password = (string) ($this->option('password') ?? Str::password(16, symbols: false));
        $given = [
            'email' => $this->argument('email'), 'name' => $this->argument('name'), 'role' => $this->argument('role'),
            'password' => $password,
        ];
        $check = Validator::make($given, [
            'email' => 'required|email|max:190', 'name' => 'required|string|max:190',
            'role' => 'required|in:'.implode(',', array_keys(Roles::OF)), 'password' => 'required|string|min:10',
        ]);
        if ($check->fails()) {
            $this->complain(array_values($check->errors()->all()));

            return 2;
        }
        DB::transaction(function () use ($given): void {
            Roles::install();
            User::query()->updateOrCreate(
                ['email' => Str::lower($given['email'])],
                ['name' => $given['name'], 'password' => $given['password']],
            )->syncRoles([$given['role']]);
        });
        $this->line("{$given['name']} signs in as {$given['email']}"
            .($this->option('password') === null ? " with the password {$password}" : '').'.');

        return 0;
    }
}
