<?php

declare(strict_types=1);

namespace App\Answers;

/** How an answer came. */
enum Via: string
{
    case Mail = 'mail';
    /** The page of the link in the mail. */
    case Page = 'page';
    /** Told to the coordinator, who wrote it down. */
    case Phone = 'phone';
}
