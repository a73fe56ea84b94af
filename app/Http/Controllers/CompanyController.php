<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeSettings;
use App\Actions\DemoCompany;
use App\Actions\KeepPerson;
use App\Reading\CompanySettings;
use App\Reading\Pages\CompanyPage;
use App\Reading\Pages\PeoplePage;
use App\Reading\PeopleList;
use App\Reading\Shapes\PersonKept;
use App\Reading\Shapes\Told;
use App\Support\Roles;
use App\Support\Settings;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

/** What holds for the whole company, and who works in it: for its administrators. */
final class CompanyController extends Controller
{
    public function show(Request $request): Response
    {
        $this->isFor($request);

        $isDemo = Settings::get(Settings::IS_DEMO) === true;

        $calendars = DB::table('calendars')->orderBy('code')->pluck('code')->map(strval(...))->all();

        return (new CompanyPage(CompanySettings::now(), $isDemo, DateTimeZone::listIdentifiers(), array_values($calendars)))->show();
    }

    public function save(Request $request, ChangeSettings $change): JsonResponse
    {
        $rules = fn (string $of): array => [
            "{$of}.name" => 'nullable|string|max:190', "{$of}.address" => 'nullable|string|max:500', "{$of}.overPercent" => 'integer',
            "{$of}.currency" => 'nullable|string|max:20', "{$of}.timeZone" => 'nullable|string|max:60', "{$of}.numbers" => 'in:point,comma',
            "{$of}.calendar" => 'nullable|string|max:190',
            "{$of}.holdOnRelease" => 'boolean', "{$of}.countUnsent" => 'boolean', "{$of}.belowZero" => 'boolean',
        ];
        $given = $request->validate(['values' => 'required|array', 'seen' => 'required|array', ...$rules('values'), ...$rules('seen')]);

        return response()->json($change($this->typed($given['values'] ?? []), $this->typed($given['seen'] ?? []), $this->user($request)));
    }

    public function people(Request $request): Response
    {
        $this->isFor($request);

        return (new PeoplePage(PeopleList::of($this->user($request)), array_keys(Roles::OF)))->show();
    }

    public function keep(Request $request, KeepPerson $keep): JsonResponse
    {
        $given = $request->validate(['email' => 'required|email|max:190', 'name' => 'required|string|max:190', 'role' => 'required|string|max:40']);
        $kept = $keep(trim($given['email']), trim($given['name']), $given['role'], $this->user($request));

        return response()->json(new PersonKept(
            $kept['password'] === null
                ? (string) trans(':name is :role now.', ['name' => $kept['person']->name, 'role' => $given['role']])
                : (string) trans(':name may sign in.', ['name' => $kept['person']->name]),
            $kept['password'],
        ));
    }

    public function password(Request $request, KeepPerson $keep): JsonResponse
    {
        $email = (string) $request->validate(['email' => 'required|string|max:190'])['email'];

        return response()->json(new PersonKept(
            (string) trans('A new password was made; the old one opens nothing any more.'), $keep->freshPassword($email, $this->user($request)),
        ));
    }

    public function retire(Request $request, KeepPerson $keep): JsonResponse
    {
        $email = (string) $request->validate(['email' => 'required|string|max:190'])['email'];
        $person = $keep->retire($email, $this->user($request));

        return response()->json(new Told((string) trans(':name does not sign in any more.', ['name' => $person->name])));
    }

    public function loadDemo(Request $request, DemoCompany $demo): JsonResponse
    {
        $demo->load($this->user($request));

        return response()->json(new Told((string) trans('The demo company is here. Press Run for its first plan.')));
    }

    public function takeDemoAway(Request $request, DemoCompany $demo): JsonResponse
    {
        $demo->takeAway($this->user($request));

        return response()->json(new Told((string) trans('The demo company is gone, with all that was done in it.')));
    }

    private function isFor(Request $request): void
    {
        abort_unless($this->user($request)->can(Roles::SETTINGS), 403);
    }

    /**
     * @param  array<mixed>  $given
     * @return array<string, scalar>
     */
    private function typed(array $given): array
    {
        $values = [];
        foreach (['name', 'address', 'currency', 'timeZone', 'calendar', 'numbers'] as $name) {
            array_key_exists($name, $given) && $values[$name] = trim((string) $given[$name]);
        }
        foreach (['holdOnRelease', 'countUnsent', 'belowZero'] as $name) {
            isset($given[$name]) && $values[$name] = (bool) $given[$name];
        }
        isset($given['overPercent']) && $values['overPercent'] = (int) $given['overPercent'];

        return $values;
    }
}
