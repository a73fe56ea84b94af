<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PaperResponse;
use App\Outgoing\LetterState;
use App\Outgoing\Outbox;
use App\Reading\LetterList;
use App\Reading\Pages\LettersPage;
use App\Reading\Shapes\Told;
use App\Support\Refused;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\DB;
use Inertia\Response;

/** Letters to suppliers: what went, what did not. */
final class LetterController extends Controller
{
    public function index(Request $request): Response
    {
        $filter = $this->filter($request);

        return (new LettersPage(
            list: (new LetterList)->rows($filter['state'], $filter['q'], 0), filter: $filter, may: $this->user($request)->can(Roles::BUY),
            staysInside: config('mail.default') === 'inside',
        ))->show();
    }

    public function rows(Request $request): JsonResponse
    {
        $filter = $this->filter($request);

        return response()->json((new LetterList)->rows($filter['state'], $filter['q'], max(0, $request->integer('before'))));
    }

    /** A file that goes with a letter. */
    public function file(int $id, int $n): PlainResponse
    {
        $letter = DB::table('letters')->where('id', $id)->first();
        abort_if($letter === null, 404);
        $file = Outbox::files($letter)[$n - 1] ?? null;
        abort_if($file === null, 404);

        return PaperResponse::of($file->content, $file->name, $file->type);
    }

    public function send(Request $request, int $id): JsonResponse
    {
        $this->user($request)->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');
        abort_unless(DB::table('letters')->where('id', $id)->exists(), 404);
        Outbox::send($id);
        $state = LetterState::from((string) DB::table('letters')->where('id', $id)->value('state'));

        return response()->json(new Told($state === LetterState::Sent ? (string) trans('The letter has been sent.') : (string) trans('The letter could not be sent.')));
    }

    /** @return array{state: string, q: string} */
    private function filter(Request $request): array
    {
        return [
            'state' => LetterState::tryFrom($request->string('state')->toString())->value ?? '', 'q' => $request->string('q')->limit(60, '')->toString(),
        ];
    }
}
