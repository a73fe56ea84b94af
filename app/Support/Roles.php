<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Spatie\Permission\Models\Permission;
use Spatie\Permission\Models\Role;
use Spatie\Permission\PermissionRegistrar;

/** Who may do what. Everyone who is signed in may look. */
final class Roles
{
    public const RUN = 'run plan';

    /** Forecasts and sales lines. */
    public const FORECAST = 'edit forecast';

    /** Say that a job really wants a line: from then on it is planned. */
    public const APPROVE = 'approve jobs';

    public const BUY = 'convert purchases';

    public const MAKE = 'convert production';

    public const TRANSFER = 'convert transfers';

    /** Stock, planning data, calendars. */
    public const DATA = 'change data';

    public const HOLD = 'hold supply';

    public const STUDY = 'make studies';

    /** Hold, accept and drop what is promised to customers, with the orders that come of it. */
    public const PROMISE = 'promise to customers';

    /** Say on the floor what was started and done. */
    public const REPORT = 'report work';

    /** Receive, issue, send and ship what orders bring and need, and count what is there. */
    public const STOCK = 'move stock';

    /** Add people, give them roles, and keep what holds for the whole company. */
    public const SETTINGS = 'keep settings';

    /** The role that settings and people are for. */
    public const ADMINISTRATOR = 'administrator';

    private const ALL = [
        self::RUN, self::FORECAST, self::APPROVE, self::BUY, self::MAKE, self::TRANSFER, self::DATA, self::HOLD, self::STUDY, self::PROMISE,
        self::REPORT, self::STOCK,
    ];

    /** @var array<string, list<string>> permissions by role */
    public const OF = [
        'planner' => self::ALL,
        'buyer' => [self::BUY, self::STUDY],
        'scheduler' => [self::MAKE, self::TRANSFER, self::HOLD, self::STUDY, self::REPORT, self::STOCK],
        'sales' => [self::FORECAST, self::APPROVE, self::STUDY, self::PROMISE],
        'viewer' => [],
        self::ADMINISTRATOR => [...self::ALL, self::SETTINGS],
        'floor' => [self::REPORT],
        'stores' => [self::STOCK],
    ];

    /** Whether somebody does more than to look, to report and to move stock: such a person deals with what the plan says. */
    public static function worksOnPlan(User $user): bool
    {
        $isOfTheFloor = fn (mixed $name) => in_array($name, [self::REPORT, self::STOCK], true);

        return $user->getAllPermissions()->pluck('name')->reject($isOfTheFloor)->isNotEmpty();
    }

    /** Makes the roles and permissions in the database what they are here. */
    public static function install(): void
    {
        app(PermissionRegistrar::class)->forgetCachedPermissions();
        foreach (self::OF as $role => $permissions) {
            foreach ($permissions as $permission) {
                Permission::findOrCreate($permission);
            }
            Role::findOrCreate($role)->syncPermissions($permissions);
        }
    }
}
