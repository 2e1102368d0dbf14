@extends('mail.frame')
@section('body')
<h1 style="margin:0 0 4px;font-size:19px;line-height:1.25">{{ $meeting->title }}</h1>
<p style="margin:0 0 16px;color:#a8321f;font-weight:600">{{ $lead }}</p>
<div style="text-decoration:line-through">
@include('mail.when')
</div>
@endsection
