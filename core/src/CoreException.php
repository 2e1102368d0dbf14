<?php

declare(strict_types=1);

namespace Syndex\Core;

/** Over everything that can go wrong in the core, so that a caller can catch it whole. */
interface CoreException extends \Throwable {}
