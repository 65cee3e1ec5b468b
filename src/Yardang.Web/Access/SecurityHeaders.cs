namespace Yardang.Web.Access;

/// <summary>Everything comes from this server, and nothing runs that is not in a file of ours.</summary>
public static class SecurityHeaders
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; "
        + "media-src 'self' blob:; worker-src 'self'; form-action 'self'; frame-src 'self'; frame-ancestors 'self'; base-uri 'none'; object-src 'none'; manifest-src 'self'";

    public static void UseSecurityHeaders(this IApplicationBuilder app) => app.Use((context, next) =>
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()";
        return next(context);
    });
}
