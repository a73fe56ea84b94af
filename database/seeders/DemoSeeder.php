<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\User;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Database\Seeder;

/** The made-up people of the demo company. They all have the same password, which the sign-in page of a demo shows. */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'river-and-wind';

    private const PEOPLE = [
        ['Ivo Marlin', 'ivo@marrowby.example', 'planner'],
        ['Lena Quist', 'lena@marrowby.example', 'buyer'],
        ['Oskar Thwaite', 'oskar@marrowby.example', 'scheduler'],
        ['Nell Harrow', 'nell@marrowby.example', 'sales'],
        ['Wick Arden', 'wick@marrowby.example', 'floor'],
        ['Pell Corrie', 'pell@marrowby.example', 'stores'],
        ['Tamsin Bray', 'tamsin@marrowby.example', 'viewer'],
        ['Rufus Oake', 'rufus@marrowby.example', 'administrator'],
    ];

    public function run(): void
    {
        Roles::install();
        Settings::set(Settings::CURRENCY, 'EUR');
        Settings::set(Settings::COMPANY, ['name' => 'Marrowby Instruments', 'address' => '4 Weir Lane, Oskerby']);
        foreach (self::PEOPLE as [$name, $email, $role]) {
            User::query()->updateOrCreate(['email' => $email], ['name' => $name, 'password' => self::PASSWORD])->syncRoles([$role]);
        }
    }

    /** @return list<array{name: string, email: string, role: string, password: string}> */
    public static function accounts(): array
    {
        return array_map(
            fn (array $person) => ['name' => $person[0], 'email' => $person[1], 'role' => $person[2], 'password' => self::PASSWORD],
            self::PEOPLE,
        );
    }
}
