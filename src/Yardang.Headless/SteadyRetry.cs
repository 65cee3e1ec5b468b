using Microsoft.AspNetCore.SignalR.Client;

namespace Yardang.Headless;

/// <summary>Tries to reconnect for as long as it takes, several times a second.</summary>
public sealed class SteadyRetry : IRetryPolicy
{
    /// <inheritdoc/>
    public TimeSpan? NextRetryDelay(RetryContext retryContext) => TimeSpan.FromMilliseconds(250);
}
