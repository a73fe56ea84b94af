<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Every quantity that moved, once; rows are only ever added. The stock of an item at a site is the sum of its rows. Codes are kept as they
 * were, as items and orders may be gone.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('movements', function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->string('item_code');
            $table->string('site_code');
            $table->bigInteger('qty')->comment('millionths; below 0 where it left the stock');
            $table->string('document')->default('')->comment('reference of an order, its component or a sales line');
            $table->string('order_code')->nullable()->index();
            $table->string('reason')->default('');
            $table->date('day')->comment('on which it moved');
            $table->unsignedBigInteger('commit_id')->nullable()->index();
            $table->unsignedBigInteger('counter_of')->nullable()->unique()->comment('the movement that it takes back');
            $table->foreignId('user_id')->nullable()->constrained();
            $table->timestamp('created_at');
            $table->index(['item_code', 'site_code', 'id']);
        });
        Schema::table('orders', fn (Blueprint $table) => $table->string('was')->nullable()->comment('status before it was done'));
        foreach (DB::table('stock')->where('qty', '<>', 0)->orderBy('id')->get() as $row) {
            DB::table('movements')->insert([
                'kind' => 'import', 'item_code' => $row->item_code, 'site_code' => $row->site_code, 'qty' => $row->qty,
                'day' => now()->toDateString(), 'created_at' => now(),
            ]);
        }
        DB::table('settings')->insertOrIgnore(['key' => 'write_turn', 'value' => 'true']);
        DB::table('roles')->exists() && Roles::install();
    }

    public function down(): void
    {
        Schema::dropIfExists('movements');
        Schema::table('orders', fn (Blueprint $table) => $table->dropColumn('was'));
    }
};
