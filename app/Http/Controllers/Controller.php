<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ShownPlan;
use App\Models\Draft;
use App\Models\User;
use App\Reading\ListOrder;
use App\Reading\StoredPlan;
use Illuminate\Http\Request;

abstract class Controller
{
    /** The plan that is looked at: the live one or a study's; null before the first run. */
    protected function plan(): ?StoredPlan
    {
        $run = ShownPlan::run(request());

        return $run === null ? null : new StoredPlan($run);
    }

    /** The site that the top bar is set to; empty for all. */
    protected function site(Request $request): string
    {
        $site = $request->session()->get('site', '');

        return is_string($site) ? $site : '';
    }

    protected function user(Request $request): User
    {
        $user = $request->user();
        abort_unless($user instanceof User, 401);

        return $user;
    }

    /** @return list<array<string, mixed>> of the person's draft */
    protected function draftLines(Request $request): array
    {
        return Draft::of($this->user($request))->lines ?? [];
    }

    /** Whether the person wants to see things as expected (the default) or as needed. */
    protected function asExpected(Request $request): bool
    {
        return $request->query('as') !== 'needed';
    }

    /** The place of a list from which on rows are asked for. */
    protected function place(Request $request): int
    {
        return max(0, min($request->integer('offset'), 10_000_000));
    }

    /** @param  array<string, string>  $columns  that a list can be sorted by, by name */
    protected function order(Request $request, array $columns): ListOrder
    {
        return ListOrder::of($request->string('sort')->toString(), array_keys($columns));
    }
}
