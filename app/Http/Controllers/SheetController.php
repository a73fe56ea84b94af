<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Documents\Listing;
use App\Http\AskedFilters;
use App\Reading\DemandView;
use App\Reading\GridFigure;
use App\Reading\GridFilter;
use App\Reading\ListSheets;
use App\Reading\MasterData;
use App\Reading\MessageList;
use App\Reading\OrderIndex;
use App\Reading\ProposalFilter;
use App\Reading\Sheets;
use App\Reading\StoredPlan;
use App\Support\Settings;
use App\Support\SpreadsheetCsv;
use App\Support\Workbook;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;

/**
 * Lists of the plan as CSV files, workbooks or to be printed, as they are filtered on screen.
 *
 * @phpstan-import-type Sheet from Sheets
 */
final class SheetController extends Controller
{
    /** Rows of a list that the plan is asked for. */
    private const MOST = 100_000;

    public function __construct(private readonly PlanClient $plans)
    {
    }

    public function __invoke(Request $request, string $list, string $format): StreamedResponse|BinaryFileResponse|Response
    {
        $plan = $this->plan();
        abort_if($plan === null && $list !== 'data', 404);
        $planDate = $plan === null ? Day::parse(Settings::planDate()) : $plan->planDate;
        $sheet = $plan === null || $list === 'data' ? $this->masterData($request) : $this->sheet($request, $plan, $list);
        $name = preg_replace('/[^\w.\-]/', '-', $sheet['name']).'-'.Day::format($planDate).".{$format}";
        if ($format === 'html') {
            return response()->view('listing', [
                'list' => Listing::of($sheet['name'], $sheet['columns'], $sheet['rows']), 'planDate' => $planDate,
            ]);
        }
        if ($format === 'xlsx') {
            $path = Workbook::write($sheet['name'], array_keys($sheet['columns']), array_values($sheet['columns']), $sheet['rows']);

            return response()->download(
                $path,
                $name,
                ['Content-Type' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
            )->deleteFileAfterSend();
        }

        return response()->streamDownload(fn () => $this->csv($sheet), $name, ['Content-Type' => 'text/csv; charset=UTF-8']);
    }

    /** @return Sheet what needs no plan */
    private function masterData(Request $request): array
    {
        $data = MasterData::named($request->string('kind')->toString());

        return $data->sheet($request->string('q')->limit(60, '')->toString(), $this->order($request, $data->sorted()));
    }

    /** @return Sheet */
    private function sheet(Request $request, StoredPlan $plan, string $list): array
    {
        $sheets = new Sheets($plan);
        $site = $this->site($request);
        $text = $request->string('q')->limit(60, '')->toString();

        return match ($list) {
            'proposals' => $sheets->proposals(new ProposalFilter(
                $site,
                $request->validate(['until' => 'nullable|date_format:Y-m-d|after:1900-01-01|before:3000-01-01'])['until'] ?? null,
                $text, $request->boolean('rest'),
            )),
            'sales' => ListSheets::sales(
                new DemandView($plan), AskedFilters::sales($request, $site),
                $this->order($request, DemandView::SORTED),
            ),
            'orders' => ListSheets::orders(
                new OrderIndex($plan), AskedFilters::orders($request, $site), $this->order($request, OrderIndex::SORTED),
            ),
            'journal' => ListSheets::journal($text),
            'shortages' => ListSheets::shortages($this->plans->ask(
                PlanQuestion::Shortages,
                lines: $this->draftLines($request),
                filter: get_object_vars(AskedFilters::shortages($request, $site, self::MOST)),
            )['rows']),
            'reservations' => ListSheets::reservations($this->plans->ask(
                PlanQuestion::Reservations,
                site: $site, held: false, status: $request->string('status')->toString(), there: $request->boolean('there'), q: $text,
                rows: self::MOST,
            )['rows']),
            'messages' => $sheets->messages((new MessageList($plan))->query(
                $site, $request->query('show') === 'away', $request->string('kind')->toString(), $text, withPoints: true,
            )),
            'plan' => $sheets->grid(
                new GridFilter(
                    $site, $request->string('supply')->toString(), $request->string('supplier')->toString(),
                    $request->boolean('trouble'), $text, $request->string('sort', 'structure')->toString(),
                ),
                BucketSize::tryFrom($request->string('bucket')->toString()) ?? BucketSize::Week, $this->asExpected($request),
                GridFigure::tryFrom($request->string('show')->toString()) ?? GridFigure::Balance,
            ),
            default => $sheets->flow(
                $plan->findPoint($request->string('item')->toString(), $request->string('at')->toString()) ?? abort(404),
                $this->asExpected($request),
            ),
        };
    }

    /** @param  Sheet  $sheet */
    private function csv(array $sheet): void
    {
        $out = fopen('php://output', 'w');
        if ($out === false) {
            return;
        }
        SpreadsheetCsv::write($out, array_keys($sheet['columns']), $sheet['rows']);
        fclose($out);
    }
}
