<?php

declare(strict_types=1);

namespace Benchmarks;

use App\Actions\ImportBundle;
use App\Actions\StartRun;
use App\Models\Run;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Planning\NetworkReader;
use App\Trials\LivePlan;
use App\Trials\PlanQueries;
use Database\Seeders\DemoSeeder;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Planner;
use Yposta\Core\Structure\LoopCheck;
use Yposta\Core\Wording\Templates;

/**
 * The application over a company of so many planning points, in a database of its own: what a run, each page and each question costs, in
 * seconds of the processor, against netting and projecting the same company in the core.
 *
 * @phpstan-type Figure array{what: string, seconds: float, queries: int|null, aim: float|null}
 */
final class Company
{
    /** The most that an aim allows a page in queries. */
    public const QUERIES = 40;

    private const PAGE = 0.06;

    private const EXPORT = 1.0;

    /** Pages and their rows, as a planner opens them. */
    private const PAGES = [
        'Today' => '/', 'Demand' => '/demand', 'Demand, by customer' => '/demand?sort=customer', 'Demand, forecast' => '/demand?view=forecast',
        'Plan' => '/plan', 'Plan, in trouble' => '/plan?trouble=1&sort=urgency', 'Plan, a page in the middle' => '/plan/rows?offset=9000',
        'Plan, to start' => '/plan/rows?show=to_start', 'Shortages' => '/shortages', 'Proposals' => '/proposals?until=all',
        'Proposals, by item' => '/proposals?until=all&by=item', 'Proposals, a page in the middle' => '/proposals/rows?until=all&offset=9000',
        'Orders' => '/orders', 'Orders, found' => '/orders?q=42', 'Messages' => '/messages', 'Journal' => '/journal', 'Studies' => '/studies',
        'Search' => '/search?q=i42',
    ];

    private const EXPORTS = ['proposals', 'messages', 'plan', 'sales', 'orders', 'shortages', 'reservations'];

    private readonly Application $app;

    /** @var list<Figure> */
    private array $figures = [];

    public function __construct(private readonly int $points, private readonly string $folder)
    {
        touch("{$folder}/bench.sqlite");
        foreach ([
            'APP_ENV' => 'testing', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'DB_CONNECTION' => 'sqlite',
            'DB_DATABASE' => "{$folder}/bench.sqlite", 'QUEUE_CONNECTION' => 'sync', 'SESSION_DRIVER' => 'array',
            'CACHE_STORE' => 'array',
        ] as $name => $value) {
            putenv("{$name}={$value}");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        $this->app = require dirname(__DIR__).'/bootstrap/app.php';
        $this->app->make(Console::class)->bootstrap();
        // As the process that keeps the plan has it: with data of its own, which no request forgets.
        $this->app->singleton(LivePlan::class, fn () => new LivePlan(new LiveNetwork(new NetworkReader)));
        $this->app->singleton(PlanQueries::class);
    }

    /** @return array{points: int, memory: float, figures: list<Figure>} seconds, and MiB of the plan that is kept */
    public function measure(): array
    {
        $this->headless();
        Artisan::call('migrate', ['--force' => true]);
        Artisan::call('db:seed', ['--class' => DemoSeeder::class, '--force' => true]);
        $this->app->make(ImportBundle::class)($this->folder, true, true);
        $this->timed('A run with storing', 5, fn () => $this->app->make(StartRun::class)([], null));
        Run::live() ?? throw new RuntimeException('the run failed: '.Run::query()->value('trouble'));
        $this->pages();
        $memory = $this->questions();
        foreach (self::EXPORTS as $list) {
            $this->timed("Export of {$list}", self::EXPORT, fn () => $this->get("/sheets/{$list}.csv?days=18"));
        }

        return ['points' => $this->points, 'memory' => $memory, 'figures' => $this->figures];
    }

    /** Seconds of netting and projecting a company of so many points, without an application. */
    public static function core(int $points): float
    {
        $streams = [];
        foreach ((new RandomBundle(7, $points, false))->files() as $name => $text) {
            $streams[$name] = fopen('php://memory', 'w+') ?: throw new RuntimeException($name);
            fwrite($streams[$name], $text);
            rewind($streams[$name]);
        }
        gc_disable();
        $contents = (new BundleReader(new LoopCheck))->read($streams);
        $began = self::cpu();
        (new Planner)->plan($contents->network, $contents->options);

        return self::cpu() - $began;
    }

    /** Reads, plans and writes without a database. */
    private function headless(): void
    {
        foreach ((new RandomBundle(7, $this->points, false))->files() as $name => $text) {
            file_put_contents("{$this->folder}/{$name}", $text);
        }
        gc_disable();
        $contents = $plan = null;
        $this->timed('Headless: reading', 0.7, function () use (&$contents): void {
            $streams = [];
            foreach (glob("{$this->folder}/*.csv") ?: [] as $path) {
                $streams[basename($path)] = fopen($path, 'r') ?: throw new RuntimeException($path);
            }
            $contents = (new BundleReader(new LoopCheck))->read($streams);
            array_map(fclose(...), $streams);
        });
        $this->timed('Headless: netting and projecting', 1, function () use ($contents, &$plan): void {
            $plan = (new Planner)->plan($contents->network, $contents->options);
        });
        $this->timed('Headless: writing', 1, fn () => $this->write($plan));
        unset($plan, $contents);
        gc_enable();
        gc_collect_cycles();
    }

    private function write(Plan $plan): void
    {
        $out = [];
        foreach (array_keys(PlanWriter::FILES) as $file) {
            $out[$file] = fopen("{$this->folder}/out.csv", 'w') ?: throw new RuntimeException($file);
        }
        $words = Templates::of(require dirname(__DIR__).'/lang/en/core.php')->on($plan->options->planDate);
        (new PlanWriter($plan, $words))->write($out);
        array_map(fclose(...), $out);
    }

    private function pages(): void
    {
        foreach (self::PAGES as $what => $path) {
            $this->get($path); // what is compiled once is not the page's
            $this->timed($what, self::PAGE, fn () => $this->get($path));
        }
        $late = DB::table('plan_demands')->where('run_id', Run::live()?->id)->where('kind', 'sales')->orderByDesc('late_days')->first();
        $reference = rawurlencode("sales:{$late?->name}/{$late?->line}");
        foreach (['Pegging' => "/pegging?of={$reference}", 'Thread' => "/thread?of={$reference}"] as $what => $path) {
            $this->timed($what, self::PAGE, fn () => $this->get($path));
        }
    }

    /** The questions that the plan is asked; gives the MiB of the plan that is kept. */
    private function questions(): float
    {
        $before = memory_get_usage();
        $this->app->make(LivePlan::class)->live();
        $memory = (memory_get_usage() - $before) / 1024 / 1024;
        $short = [];
        $this->timed('Shortages of two weeks', 0.4, function () use (&$short): void {
            $short = (array) json_decode((string) $this->get('/shortages/rows?days=18'), true)['rows'];
        });
        $needs = array_map(fn (array $row) => ['identity' => $row['identity'], 'item' => $row['item']], array_slice($short, 0, 10));
        $this->timed('Ten remedies of Resolve', 2, fn () => $this->post('/shortages/resolve', ['needs' => $needs]));
        $orders = DB::table('order_lines')->orderBy('id')->limit(2)->pluck('due', 'code');
        foreach ($orders as $code => $due) {
            $this->post('/draft/lines', ['changes' => [['change' => 'move_order', 'order' => $code, 'due' => date('Y-m-d', strtotime("{$due} +3 days"))]]]);
        }
        $this->timed('A draft change to its figures', 0.15, fn () => $this->post('/draft/lines', [
            'changes' => [['change' => 'pin_order', 'order' => DB::table('order_lines')->orderByDesc('id')->value('code'), 'pinned' => true]],
        ]));
        $line = DB::table('sales_lines')->whereColumn('shipped', '<', 'qty')->orderBy('due')->first();
        $this->timed('An answer of availability', 0.3, fn () => $this->get('/complete/answer?of='.rawurlencode("sales:{$line?->order_code}/{$line?->line}")));
        $this->timed('Reservations', 1, fn () => $this->get('/reservations'));

        return $memory;
    }

    private function get(string $path): string
    {
        return $this->send(Request::create($path));
    }

    /** @param  array<string, mixed>  $body */
    private function post(string $path, array $body): string
    {
        return $this->send(Request::create(
            $path, 'POST', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: json_encode($body, JSON_THROW_ON_ERROR),
        ));
    }

    private function send(Request $request): string
    {
        auth()->setUser(User::query()->where('email', 'ivo@marrowby.example')->firstOrFail());
        $kernel = $this->app->make(Kernel::class);
        $response = $kernel->handle($request);
        ob_start();
        $response->sendContent();
        $content = (string) ob_get_clean();
        $kernel->terminate($request, $response);
        if ($response->getStatusCode() !== 200) {
            throw new RuntimeException("{$request->getPathInfo()}: {$response->getStatusCode()} ".substr($content, 0, 300));
        }

        return $content;
    }

    /** @param  callable(): mixed  $work */
    private function timed(string $what, float $aim, callable $work): void
    {
        $queries = 0;
        $isCounted = $this->app->bound('db') && $this->app->make('db')->getConnections() !== [];
        $isCounted && DB::flushQueryLog();
        $isCounted && DB::enableQueryLog();
        $began = self::cpu();
        $work();
        $seconds = self::cpu() - $began;
        if ($isCounted) {
            $queries = count(DB::getQueryLog());
            DB::disableQueryLog();
            DB::flushQueryLog();
        }
        $this->figures[] = ['what' => $what, 'seconds' => $seconds, 'queries' => $aim === self::PAGE ? $queries : null, 'aim' => $aim];
    }

    /** Seconds of the processor, so that what else the machine does is not counted. */
    private static function cpu(): float
    {
        $usage = getrusage() ?: [];

        return ($usage['ru_utime.tv_sec'] + $usage['ru_stime.tv_sec']) + ($usage['ru_utime.tv_usec'] + $usage['ru_stime.tv_usec']) / 1e6;
    }
}
