@extends('mail.frame')
@section('body')
<h1 dir="auto" style="margin:0 0 4px;font-size:19px;line-height:1.25">{{ $meeting->title }}</h1>
<p class="off" style="margin:0 0 16px;color:#a8321f;font-weight:600">{{ $lead }}</p>
@if ($words)
<p class="bar" dir="auto" style="margin:0 0 14px;padding:2px 12px;border-{{ $side }}:4px solid #17202b;white-space:pre-line">{{ $words }}</p>
@endif
<div style="text-decoration:line-through">
@include('mail.when')
</div>
@endsection
