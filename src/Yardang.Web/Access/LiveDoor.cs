namespace Yardang.Web.Access;

/// <summary>
/// Who may have a live connection at all: a page of this server's own, and somebody with business here. Asked before the connection is made, so
/// that a stranger costs nothing.
/// </summary>
public static class LiveDoor
{
    /// <summary>Where the hub is.</summary>
    public const string Path = "/live";

    public static void UseLiveDoor(this IApplicationBuilder app) => app.UseWhen(
        context => context.Request.Path.StartsWithSegments(Path, StringComparison.OrdinalIgnoreCase),
        live => live.Use(async (context, next) =>
        {
            if (!IsOfThisServer(context.Request)) context.Response.StatusCode = StatusCodes.Status403Forbidden;
            else if (!await context.RequestServices.GetRequiredService<AccessResolver>().HasBusinessAsync(Visitor.Of(context))) context.Response.StatusCode = StatusCodes.Status401Unauthorized;
            else await next(context);
        }));

    // Programs send no origin; browsers always do, and cannot be made to lie about it.
    private static bool IsOfThisServer(HttpRequest request) =>
        request.Headers.Origin is not [{ Length: > 0 } origin]
        || (Uri.TryCreate(origin, UriKind.Absolute, out var from) && string.Equals(from.Authority, request.Host.Value, StringComparison.OrdinalIgnoreCase)
            && string.Equals(from.Scheme, request.Scheme, StringComparison.OrdinalIgnoreCase));
}
