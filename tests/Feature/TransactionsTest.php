<?php

declare(strict_types=1);

use App\Models\User;
use App\Support\Idempotency;
use App\Support\Settings;
use App\Support\SqliteConnection;
use Database\Seeders\DemoSeeder;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Two connections to one file, as two requests have. */
beforeEach(function () {
    $this->file = tempnam(sys_get_temp_dir(), 'yposta').'.sqlite';
    touch($this->file);
    foreach (['one', 'other'] as $name) {
        config(["database.connections.{$name}" => [
            ...config('database.connections.sqlite'),
            'database' => $this->file,
            'busy_timeout' => 0,
        ]]);
    }
    Artisan::call('migrate', ['--force' => true, '--database' => 'one']);
    DB::connection('one')->table('settings')->insert(['key' => 'count', 'value' => '1']);
    $this->one = DB::connection('one');
    $this->other = DB::connection('other');
});

afterEach(function () {
    DB::purge('one');
    DB::purge('other');
    array_map(unlink(...), glob("{$this->file}*") ?: []);
});

it('lets nobody write between what a transaction reads and what it writes', function () {
    $refused = null;
    $this->one->transaction(function () use (&$refused): void {
        $count = (int) $this->one->table('settings')->where('key', 'count')->value('value');
        try {
            $this->other->table('settings')->where('key', 'count')->update(['value' => '100']);
        } catch (QueryException $trouble) {
            $refused = $trouble->getMessage();
        }
        $this->one->table('settings')->where('key', 'count')->update(['value' => (string) ($count + 1)]);
    });

    expect($refused)->toContain('database is locked')->and($this->other->table('settings')->where('key', 'count')->value('value'))
        ->toBe('2');
});

it('reads at one moment without keeping others from writing', function () {
    expect($this->one)->toBeInstanceOf(SqliteConnection::class);
    $seen = $this->one->reading(function (): array {
        $first = $this->one->table('settings')->where('key', 'count')->value('value');
        $this->other->table('settings')->where('key', 'count')->update(['value' => '7']);

        return [$first, $this->one->table('settings')->where('key', 'count')->value('value')];
    });

    expect($seen)->toBe(['1', '1'])->and($this->one->table('settings')->where('key', 'count')->value('value'))->toBe('7');
});

it('gives the right to write back when a transaction fails', function () {
    expect(fn () => $this->one->transaction(fn () => throw new RuntimeException('no')))->toThrow(RuntimeException::class);
    $this->other->table('settings')->where('key', 'count')->update(['value' => '3']);

    expect($this->one->table('settings')->where('key', 'count')->value('value'))->toBe('3')->and(Settings::get('nothing', 'default'))
        ->toBe('default');
});

it('forgets the answers to commands that nobody sends again', function () {
    (new DemoSeeder)->run();
    $user = User::query()->firstOrFail();
    $keep = fn (string $key) => Idempotency::once($key, 'test', $user, fn () => ['said' => $key]);
    $keep('old');
    $keep('young');
    DB::table('idempotency_keys')->where('key', 'old')->update(['created_at' => now()->subDays(8)]);
    DB::table('idempotency_keys')->where('key', 'young')->update(['created_at' => now()->subDays(6)]);
    $keep('new');

    expect(DB::table('idempotency_keys')->orderBy('key')->pluck('key')->all())->toBe(['new', 'young'])
        ->and(Idempotency::once('young', 'test', $user, fn () => ['said' => 'again']))->toBe(['said' => 'young']);
});
