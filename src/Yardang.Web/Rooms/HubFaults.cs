using Microsoft.AspNetCore.SignalR;

namespace Yardang.Web.Rooms;

/// <summary>
/// Says in the log what went wrong in the hub. The framework's own lines are switched off: a stranger who is refused would fill the disk with
/// stack traces.
/// </summary>
public sealed class HubFaults(ILogger<HubFaults> logger) : IHubFilter
{
    /// <summary>The category of the framework's own lines.</summary>
    public const string Framework = "Microsoft.AspNetCore.SignalR.Internal.DefaultHubDispatcher";

    /// <inheritdoc/>
    public async ValueTask<object?> InvokeMethodAsync(HubInvocationContext invocationContext, Func<HubInvocationContext, ValueTask<object?>> next)
    {
        try
        {
            return await next(invocationContext);
        }
        catch (Exception e) when (e is not (HubException or OperationCanceledException))
        {
            logger.LogError(e, "The hub's {Method} failed.", invocationContext.HubMethodName);
            throw;
        }
    }
}
