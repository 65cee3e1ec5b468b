using System.Net;
using System.Threading.RateLimiting;

namespace Yardang.Web.Access;

/// <summary>How often one address may ask for messages and new passwords, or begin without an account: enough for a staff room, too few to flood anybody.</summary>
public static class AccountLimit
{
    /// <summary>Name of the policy.</summary>
    public const string Policy = "accounts";

    private const int AtOnce = 40;
    private static readonly TimeSpan s_window = TimeSpan.FromMinutes(10);

    public static void AddAccountLimit(this IServiceCollection services) => services.AddRateLimiter(limits => limits.AddPolicy(Policy, context =>
        HttpMethods.IsPost(context.Request.Method)
            ? RateLimitPartition.GetFixedWindowLimiter(context.Connection.RemoteIpAddress ?? IPAddress.None, _ => new FixedWindowRateLimiterOptions { PermitLimit = AtOnce, Window = s_window })
            : RateLimitPartition.GetNoLimiter(IPAddress.None)));
}
