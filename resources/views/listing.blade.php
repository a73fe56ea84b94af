@extends('paper')

@section('title'){{ $list->title }}@endsection

@section('style')
@page { size: A4 landscape; margin: 11mm 12mm 12mm; }
body { margin: 12px; }
@media print { body { margin: 0; } }
body { font-size: {{ count($list->heads) > 12 ? '7.5px' : '9px' }}; }
.lines td, .lines th { padding: 2.5px 6px 2.5px 0; }
@endsection

@section('body')
    <h1>{{ $list->title }}</h1>
    <p>{{ trans('On :day', ['day' => App\Support\Words::day($planDate, $planDate)]) }}{{ $list->isCut ? ', '.trans('the first :count rows', ['count' => count($list->rows)]) : '' }}</p>
    <table class="lines">
        <thead>
            <tr>
                @foreach ($list->heads as $place => $head)
                    <th @class(['r' => $list->types[$place] === 'number'])>{{ $head }}</th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($list->rows as $row)
                <tr>
                    @foreach ($row as $place => $text)
                        <td @class(['r' => $list->types[$place] === 'number'])>{{ $text }}</td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
    <script src="/print.js" defer></script>
@endsection
