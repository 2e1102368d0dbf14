<p class="big" style="margin:14px 0 0;font-size:26px;line-height:1.2;font-weight:600">{{ $dateLine }}</p>
<p class="soft" style="margin:4px 0 0;color:#55606c">{{ $lengthLine }}@if ($anchorLine) {{ $anchorLine }}@endif</p>
@if ($repeatsLine)
<p style="margin:12px 0 0">{{ $repeatsLine }}</p>
@if ($ownDatesLine)
<p style="margin:4px 0 0">{{ $ownDatesLine }}</p>
@endif
@foreach ($shiftLines as $line)
<p style="margin:4px 0 0;font-weight:600">{{ $line }}</p>
@endforeach
@endif
