<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EditDraft;
use App\Actions\MissMaterial;
use App\Planning\NetworkReader;
use App\Support\Roles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\MoveOrder;

/** Material that is missed on the floor. */
final class MissingController extends Controller
{
    public function store(Request $request, MissMaterial $miss): JsonResponse
    {
        $given = $request->validate(['order' => 'required|string|max:190', 'line' => 'required|string|max:190', 'until' => 'required|date_format:Y-m-d', 'note' => 'present|nullable|string|max:190']);

        return response()->json(['id' => $miss($given['order'], $given['line'], $given['until'], (string) $given['note'], $this->user($request))]);
    }

    /** Tries the order no earlier than the day on which the material is there, so that one sees what slips. */
    public function draft(Request $request, NetworkReader $reader, EditDraft $edit, int $id): JsonResponse
    {
        abort_unless($this->user($request)->can(Roles::STUDY), 403);
        $row = DB::table('missing_materials')->where('id', $id)->first() ?? abort(404);
        $move = MoveOrder::notBefore($reader->read(), $row->order_code, Day::parse(substr((string) $row->until, 0, 10)));
        if ($move === null) {
            return response()->json(['message' => trans(':order does not begin before that day; nothing slips.', ['order' => $row->order_code])]);
        }
        $edit->add($this->user($request), [ChangeCodec::encode($move)], (string) trans(':order waits for :item', ['order' => $row->order_code, 'item' => $row->item_code]));

        return response()->json(['message' => null]);
    }

    public function deal(Request $request, MissMaterial $miss, int $id): JsonResponse
    {
        abort_if($this->user($request)->getAllPermissions()->isEmpty(), 403);
        $miss->deal($id, $this->user($request));

        return response()->json(['id' => $id]);
    }
}
