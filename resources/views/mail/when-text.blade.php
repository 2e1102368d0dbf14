{!! $dateLine !!}
{!! $lengthLine !!}{!! $anchorLine ? ' '.$anchorLine : '' !!}
@if ($repeatsLine)

{!! $repeatsLine !!}
@if ($ownDatesLine)
{!! $ownDatesLine !!}
@endif
@foreach ($shiftLines as $line)
{!! $line !!}
@endforeach
@endif
