namespace Yardang.Web.Access;

/// <summary>Everything comes from this server, and nothing runs that is not in a file of ours. Only sites that the school names are shown inside.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; "
        + "media-src 'self' blob:; worker-src 'self'; form-action 'self'; frame-src 'self'; frame-ancestors 'self'; base-uri 'none'; object-src 'none'; manifest-src 'self'";

    public static void UseSecurityHeaders(this IApplicationBuilder app, FramedSites framed)
    {
        var policy = Policy.Replace("frame-src 'self'", $"frame-src 'self'{framed.AsSources()}", StringComparison.Ordinal);

        // Only what is made to be shown on other pages may be framed by them.
        var embedded = policy.Replace("frame-ancestors 'self'", "frame-ancestors *", StringComparison.Ordinal);
        app.Use((context, next) => SetAsync(context, next, context.Request.Path.StartsWithSegments("/embed", StringComparison.Ordinal) ? embedded : policy));
    }

    private static Task SetAsync(HttpContext context, RequestDelegate next, string policy)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = policy;
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
    }
}
