using System.Net;
using System.Threading.RateLimiting;

namespace Yardang.Web.Access;

/// <summary>How often one address may do what costs something and needs no account yet: enough for a staff room, too few to flood anybody.</summary>
public static class AccountLimit
{
    /// <summary>Name of the policy for asking for messages and new passwords, and for beginning without an account.</summary>
    public const string Policy = "accounts";

    /// <summary>Name of the policy for making accounts: a whole school may begin on the same day.</summary>
    public const string Making = "new accounts";

    private const int AtOnce = 40;
    private const int MadeAtOnce = 300;
    private static readonly TimeSpan s_window = TimeSpan.FromMinutes(10);

    public static void AddAccountLimit(this IServiceCollection services) => services.AddRateLimiter(limits =>
    {
        limits.AddPolicy(Policy, context => PostsOf(context, AtOnce));
        limits.AddPolicy(Making, context => PostsOf(context, MadeAtOnce));
    });

    private static RateLimitPartition<IPAddress> PostsOf(HttpContext context, int most) =>
        HttpMethods.IsPost(context.Request.Method)
            ? RateLimitPartition.GetFixedWindowLimiter(context.Connection.RemoteIpAddress ?? IPAddress.None, _ => new FixedWindowRateLimiterOptions { PermitLimit = most, Window = s_window })
            : RateLimitPartition.GetNoLimiter(IPAddress.None);
}
