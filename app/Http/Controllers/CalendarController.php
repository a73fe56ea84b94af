<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Documents\CalendarFile;
use App\Intake\BroughtHolidays;
use App\Intake\HolidayFile;
use App\Models\Draft;
use App\Planning\DraftLines;
use App\Reading\CalendarView;
use App\Reading\Pages\CalendarPage;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Plain;
use Illuminate\Http\UploadedFile;
use Inertia\Response;

/** When is worked: a year at a glance, as it is with the person's draft. */
final class CalendarController extends Controller
{
    public function show(Request $request): Response
    {
        $view = $this->view($request);
        $code = $request->string('code')->toString() ?: $view->first();
        abort_if($view->calendar($code) === null, 404);

        return (new CalendarPage($view->year($code, $this->yearOf($request))))->show();
    }

    public function year(Request $request): JsonResponse
    {
        $view = $this->view($request);
        $code = $request->string('code')->toString();
        abort_if($view->calendar($code) === null, 404);

        return response()->json($view->year($code, $this->yearOf($request)));
    }

    /** What the days off of a file would change. */
    public function look(Request $request): JsonResponse
    {
        $given = $request->validate([
            'code' => 'required|string|max:190', 'file' => 'required|file|max:'.intdiv(HolidayFile::MOST_BYTES, 1000),
        ]);
        $calendar = $this->view($request)->calendar($given['code']);
        $file = $request->file('file');
        abort_if($calendar === null || ! $file instanceof UploadedFile, 404);

        $text = (string) file_get_contents($file->getPathname());

        return response()->json(BroughtHolidays::look($calendar, $text, $this->yearOf($request)));
    }

    public function file(Request $request, string $code): Plain
    {
        $calendar = $this->view($request)->calendar($code);
        abort_if($calendar === null, 404);

        return response(CalendarFile::of($calendar), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="calendar.ics"',
        ]);
    }

    private function view(Request $request): CalendarView
    {
        return new CalendarView(DraftLines::of(Draft::of($this->user($request))));
    }

    private function yearOf(Request $request): int
    {
        $year = $request->integer('year');

        return $year >= 1970 && $year <= 2400 ? $year : (int) substr(Settings::planDate(), 0, 4);
    }
}
