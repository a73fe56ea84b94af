<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangePassword;
use App\Reading\Pages\AccountPage;
use App\Reading\PeopleList;
use App\Reading\Shapes\Told;
use App\Support\Passwords;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

final class AccountController extends Controller
{
    public function show(Request $request): Response
    {
        $made = DB::table('users')->where('id', $this->user($request)->id)->value('calendar_made_at');

        return (new AccountPage(
            email: $this->user($request)->email, shortest: Passwords::SHORTEST, feedSince: is_string($made) ? substr($made, 0, 10) : null,
            sessions: PeopleList::sessions($this->user($request), $request->session()->getId()),
        ))->show();
    }

    public function password(Request $request, ChangePassword $change): JsonResponse
    {
        $given = $request->validate(['old' => 'required|string|max:2000', 'new' => 'required|string|max:2000']);
        $change->own($this->user($request), $given['old'], $given['new'], $request->session()->getId());

        return response()->json(new Told((string) trans('Your password is changed. Elsewhere you are signed out.')));
    }

    /** Ends all sessions of the person but this one. */
    public function signOutElsewhere(Request $request): JsonResponse
    {
        ChangePassword::signOut($this->user($request), $request->session()->getId());

        return response()->json(new Told((string) trans('Elsewhere you are signed out.')));
    }
}
