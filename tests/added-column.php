<?php

declare(strict_types=1);

/*
 * Adds a column to the rows of planning.csv as a programmer would, by one declaration and one change of the table, and says as JSON
 * where it is found then: php added-column.php. It works in the database of the environment, which is thrown away.
 */

use App\Actions\ExportBundle;
use App\Actions\ImportBundle;
use App\Console\Commands\FormatsCommand;
use App\Models\User;
use App\Planning\ChangeWriter;
use App\Planning\NetworkReader;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Yposta\Core\Bundle\BundleRefused;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\PutPlanning;

require __DIR__.'/../vendor/autoload.php';

// the declaration
$source = (string) file_get_contents(__DIR__.'/../core/src/Network/Planning.php');
$last = '    public int $frozenDays;';
str_contains($source, $last) || throw new RuntimeException('The last column of a planning row is another.');
eval(substr(str_replace($last, "{$last}\n\n    #[Column(new Whole(0, 9), '3')]\n    public int \$nerves;", $source), strlen('<?php')));

$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);

// the change of the table
Schema::table('planning_data', fn ($table) => $table->integer('nerves')->default(3));

$folder = sys_get_temp_dir().'/added-column-'.getmypid();
mkdir($folder);
$bundle = function (string $nerves) use ($folder): string {
    file_put_contents("{$folder}/plan.csv", "key,value\nplan_date,2026-03-02\n");
    file_put_contents("{$folder}/sites.csv", "site\nMAIN\n");
    file_put_contents("{$folder}/items.csv", "item\nBOX\nLID\n");
    file_put_contents("{$folder}/planning.csv", "item,site,supply,nerves\nBOX,MAIN,make,{$nerves}\nLID,MAIN,make,\n");

    return $folder;
};
$found = [];
try {
    app(ImportBundle::class)($bundle('12'), true, true);
} catch (BundleRefused $refused) {
    $found['refused'] = $refused->errors[0]->column;
}
app(ImportBundle::class)($bundle('7'), true, true);
$found['table'] = DB::table('planning_data')->orderBy('item_code')->pluck('nerves')->all();
$network = app(NetworkReader::class)->read();
$row = $network->planning[Network::key('BOX', 'MAIN')];
$found['network'] = $row->nerves;
app(ExportBundle::class)("{$folder}/out");
$found['bundle'] = file("{$folder}/out/planning.csv", FILE_IGNORE_NEW_LINES)[1];
$put = new PutPlanning($row->with(nerves: 5), []);
$kept = ChangeCodec::encode($put);
$found['kept change'] = $kept['planning']['nerves'] ?? null;
$found['read change'] = ChangeCodec::decode($kept)->planning->nerves;
app(ChangeWriter::class)->write($network, ChangeCodec::decode($kept)->apply($network), [], new User);
$found['written change'] = DB::table('planning_data')->where('item_code', 'BOX')->value('nerves');
$found['formats'] = Closure::bind(fn () => FormatsCommand::files(), null, FormatsCommand::class)();
exec('rm -r '.escapeshellarg($folder));
echo json_encode($found, JSON_THROW_ON_ERROR);
