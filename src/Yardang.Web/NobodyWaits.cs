using System.Data.Common;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Yardang.Web;

/// <summary>
/// A page or a file that nobody waits for any more reads nothing more from the database. What changes something is carried through, and so is what
/// others wait for too (<see cref="ForMany"/>).
/// </summary>
internal sealed class NobodyWaits(IHttpContextAccessor requests) : DbCommandInterceptor
{
    public override InterceptionResult<DbDataReader> ReaderExecuting(DbCommand command, CommandEventData eventData, InterceptionResult<DbDataReader> result)
    {
        StopIfNobodyWaits();
        return result;
    }

    public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(DbCommand command, CommandEventData eventData, InterceptionResult<DbDataReader> result, CancellationToken cancellationToken = default)
    {
        StopIfNobodyWaits();
        return new(result);
    }

    private void StopIfNobodyWaits()
    {
        if (requests.HttpContext is not { } context || !HttpMethods.IsGet(context.Request.Method)) return;

        // A live connection is a GET too, and what it does is no reading.
        if (context.GetEndpoint()?.Metadata.GetMetadata<HubMetadata>() is null) context.RequestAborted.ThrowIfCancellationRequested();
    }
}
