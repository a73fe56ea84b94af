<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\FeedCalendar;
use App\Documents\DueCalendar;
use App\Http\PaperResponse;
use App\Reading\Shapes\SecretAddress;
use App\Reading\Shapes\Told;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;

/** Due dates for the calendars of people, which cannot sign in: who has the secret address may read it, until it is withdrawn. */
final class CalendarFeedController extends Controller
{
    public function give(Request $request, FeedCalendar $feed): JsonResponse
    {
        $secret = $feed->give($this->user($request));

        return response()->json(new SecretAddress(
            url("/due/{$secret}.ics"), (string) trans('Keep this address: it is shown only now. Whoever has it can read what is due.'),
        ));
    }

    public function withdraw(Request $request, FeedCalendar $feed): JsonResponse
    {
        $feed->withdraw($this->user($request));

        return response()->json(new Told((string) trans('The address is withdrawn; nobody reads anything under it any more.')));
    }

    public function read(Request $request, string $secret, FeedCalendar $feed): PlainResponse
    {
        abort_if($feed->whose($secret) === null, 404);
        $asked = array_values(array_intersect(DueCalendar::KINDS, explode(',', $request->string('kinds')->toString())));

        return PaperResponse::of(DueCalendar::of($asked === [] ? DueCalendar::KINDS : $asked), 'due.ics', 'text/calendar; charset=utf-8');
    }
}
