@extends('paper')

@section('title'){{ trans('Work list :centre', ['centre' => $list->centre]) }}@endsection

@section('style'){!! '@page { margin: 12mm 12mm 14mm; }' !!}@endsection

@section('body')
    <h1>{{ $list->centre }} {{ $list->name }}</h1>
    <p>{{ trans('Work list of :day', ['day' => App\Support\Words::day($planDate, $planDate)]) }}{{ $list->count > count($list->rows) ? ', '.trans('the next :n of :all', ['n' => count($list->rows), 'all' => $list->count]) : '' }}</p>
    <table class="lines">
        <thead>
            <tr>
                <th>{{ trans('Start') }}</th><th>{{ trans('Unit') }}</th><th>{{ trans('Order') }}</th><th>{{ trans('Item') }}</th>
                <th class="r">{{ trans('Quantity') }}</th><th>{{ trans('Setup') }}</th><th>{{ trans('Material') }}</th><th>{{ trans('Remarks') }}</th>
                <th>{{ trans('Done') }}</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($list->rows as $row)
                <tr>
                    <td>{{ App\Support\Words::moment($planDate * Yposta\Core\Calendar\Minute::DAY + $row->start, $planDate) }}</td>
                    <td>{{ $row->units }}</td>
                    <td><span class="b">{{ $row->label }}</span> / {{ $row->op }}</td>
                    <td><span class="b">{{ $row->item }}</span> {{ $row->name }}</td>
                    <td class="r">{{ $row->done === '0' ? $row->qty : trans(':done of :all', ['done' => $row->done, 'all' => $row->qty]) }} {{ $row->unit }}</td>
                    <td>{{ $row->setup === 0 ? '' : trans(':n min', ['n' => $row->setup]) }}
                        @if ($row->setupTo !== '')<span class="m">{{ $row->setupFrom === '' ? $row->setupTo : "{$row->setupFrom} → {$row->setupTo}" }}</span>@endif</td>
                    <td>{{ $row->until === null ? trans('ready') : trans(':what until :day', ['what' => implode(', ', $row->missing), 'day' => App\Support\Words::isoDay($row->until, $planDate)]) }}</td>
                    <td>{{ implode('; ', $row->remarks) }}</td>
                    <td style="width: 52px; border-left: 1px solid #ddd6c8"></td>
                </tr>
            @endforeach
        </tbody>
    </table>
@endsection
