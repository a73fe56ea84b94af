<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** `version` is the optimistic lock: a write that knows an older one is refused. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('stock', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('site_code');
            $table->bigInteger('qty');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['item_code', 'site_code']);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
        });
        Schema::create('forecast_buckets', function (Blueprint $table): void {
            $table->id();
            $table->string('forecast');
            $table->string('item_code');
            $table->string('site_code');
            $table->string('bucket');
            $table->date('start');
            $table->bigInteger('qty');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['forecast', 'item_code', 'site_code', 'start']);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
        });
        Schema::create('sales_lines', function (Blueprint $table): void {
            $table->id();
            $table->string('order_code');
            $table->string('line');
            $table->string('item_code');
            $table->string('site_code');
            $table->bigInteger('qty');
            $table->bigInteger('shipped');
            $table->date('due');
            $table->string('customer');
            $table->unsignedTinyInteger('priority');
            $table->unsignedInteger('version')->default(1);
            $table->unique(['order_code', 'line']);
            $table->index(['item_code', 'site_code']);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
        });
        Schema::create('orders', function (Blueprint $table): void {
            $table->id();
            $table->string('code')->unique();
            $table->string('kind');
            $table->string('status');
            $table->string('site_code');
            $table->string('supplier_code')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->foreignId('created_by')->nullable()->constrained('users');
            $table->timestamps();
            $table->foreign('site_code')->references('code')->on('sites');
            $table->foreign('supplier_code')->references('code')->on('suppliers');
        });
        Schema::create('order_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('code')->unique();
            $table->string('item_code');
            $table->string('from_site_code')->nullable();
            $table->bigInteger('qty');
            $table->bigInteger('received');
            $table->date('start')->nullable();
            $table->date('due');
            $table->boolean('pinned');
            $table->unsignedTinyInteger('priority');
            $table->bigInteger('price')->nullable();
            $table->unsignedBigInteger('run_id')->nullable();
            $table->unsignedBigInteger('proposal')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->unique(['order_id', 'number']);
            $table->index('item_code');
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('from_site_code')->references('code')->on('sites');
        });
        Schema::create('order_components', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_line_id')->constrained()->cascadeOnDelete();
            $table->string('line');
            $table->string('item_code')->index();
            $table->bigInteger('qty');
            $table->bigInteger('issued');
            $table->date('need')->nullable();
            $table->unique(['order_line_id', 'line']);
            $table->foreign('item_code')->references('code')->on('items');
        });
        Schema::create('order_operations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_line_id')->constrained()->cascadeOnDelete();
            $table->integer('op');
            $table->string('work_centre_code');
            $table->bigInteger('setup');
            $table->bigInteger('run');
            $table->integer('crew');
            $table->bigInteger('done');
            $table->string('start_instant', 16)->nullable();
            $table->string('end_instant', 16)->nullable();
            $table->boolean('fixed');
            $table->unique(['order_line_id', 'op']);
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('allocations', function (Blueprint $table): void {
            $table->id();
            $table->string('demand')->index();
            $table->string('supply')->index();
            $table->bigInteger('qty');
        });
    }

    public function down(): void
    {
        foreach ([
            'allocations', 'order_operations', 'order_components', 'order_lines', 'orders', 'sales_lines', 'forecast_buckets',
            'stock',
        ] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
