<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Reading\Pages\SignInPage;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Response;

final class SignInController extends Controller
{
    public function show(): Response
    {
        return (new SignInPage(demo: config('yposta.demo') === true ? DemoSeeder::accounts() : []))->show();
    }

    public function store(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => 'required|string|max:190', 'password' => 'required|string|max:2000']);
        if (! Auth::attempt(['email' => Str::lower($given['email']), 'password' => $given['password'], 'retired_at' => null])) {
            throw ValidationException::withMessages(['email' => trans('This address and password do not belong together.')]);
        }
        $request->session()->regenerate();

        return redirect()->intended('/');
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect('/sign-in');
    }
}
