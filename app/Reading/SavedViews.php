<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\User;
use App\Reading\Shapes\SavedView;
use Illuminate\Support\Facades\DB;

/** Filters that a person keeps by name, for each page. */
final class SavedViews
{
    public const PAGES = ['shortages', 'reservations', 'capacity', 'orders', 'proposals', 'sales'];

    /** @return list<SavedView> */
    public static function of(User $user, string $page): array
    {
        return array_values(DB::table('saved_views')->where('user_id', $user->id)->where('page', $page)->orderBy('name')->get()
            ->map(fn ($row) => new SavedView((string) $row->name, (string) $row->query))->all());
    }

    public static function keep(User $user, string $page, string $name, string $query): void
    {
        DB::table('saved_views')->updateOrInsert(['user_id' => $user->id, 'page' => $page, 'name' => $name], ['query' => $query]);
    }

    public static function forget(User $user, string $page, string $name): void
    {
        DB::table('saved_views')->where(['user_id' => $user->id, 'page' => $page, 'name' => $name])->delete();
    }
}
