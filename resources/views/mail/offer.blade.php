@extends('mail.frame')
@section('body')
<h1 dir="auto" style="margin:0 0 4px;font-size:19px;line-height:1.25">{{ $meeting->title }}</h1>
<p class="soft" style="margin:0 0 16px;color:#55606c">{{ $lead }}</p>
@if ($words)
<p class="bar" dir="auto" style="margin:0 0 14px;padding:2px 12px;border-{{ $side }}:4px solid #17202b;white-space:pre-line">{{ $words }}</p>
@endif
<table role="presentation" style="width:100%;border-collapse:collapse;margin:0 0 12px">
@foreach ($times as $time)
<tr><td class="line" style="padding:8px 0;border-top:1px solid #d6d9d2;font-weight:600">{{ $time }}</td></tr>
@endforeach
</table>
<p style="margin:0 0 4px">{{ $length }}@if ($repeats) {{ $repeats }}@endif</p>
<p style="margin:0 0 4px">{{ $by }}</p>
<p style="margin:20px 0 8px"><a href="{{ $link }}" class="press" style="display:inline-block;background:#17202b;color:#ffffff;text-decoration:none;padding:10px 18px;border-radius:6px;font-weight:600">{{ $say->say('offer_open') }}</a></p>
<p class="soft" style="margin:0;color:#55606c">{{ $say->say('offer_own_link') }}</p>
@if ($meeting->purpose)
<p dir="auto" style="margin:16px 0 0;white-space:pre-line">{{ $meeting->purpose }}</p>
@endif
@endsection
