namespace Yardang.Web.Access;

/// <summary>Everything comes from this server, and nothing runs that is not in a file of ours.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; "
        + "media-src 'self' blob:; worker-src 'self'; form-action 'self'; frame-src 'self'; frame-ancestors 'self'; base-uri 'none'; object-src 'none'; manifest-src 'self'";

    private static readonly string s_embedded = Policy.Replace("frame-ancestors 'self'", "frame-ancestors *", StringComparison.Ordinal);

    public static void UseSecurityHeaders(this IApplicationBuilder app) => app.Use((context, next) =>
    {
        var headers = context.Response.Headers;

        // Only what is made to be shown on other pages may be framed by them.
        headers.ContentSecurityPolicy = context.Request.Path.StartsWithSegments("/embed", StringComparison.Ordinal) ? s_embedded : Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(self), microphone=(self), display-capture=(self), geolocation=()";

        // What is made for one person lies in nobody's cache, unless it says so itself.
        context.Response.OnStarting(() =>
        {
            if (headers.CacheControl.Count == 0) headers.CacheControl = "private, no-store";
            return Task.CompletedTask;
        });
        return next(context);
    });
}
