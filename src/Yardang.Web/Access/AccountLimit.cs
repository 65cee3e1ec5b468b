using System.Threading.RateLimiting;

namespace Yardang.Web.Access;

/// <summary>How often one address may do what costs something and needs no account yet: enough for a staff room, too few to flood anybody.</summary>
public static class AccountLimit
{
    /// <summary>Name of the policy for setting a new password.</summary>
    public const string Resetting = "new passwords";

    /// <summary>Name of the policy for asking for a message with a link.</summary>
    public const string Asking = "messages";

    /// <summary>Name of the policy for beginning without an account.</summary>
    public const string Beginning = "guests";

    /// <summary>Name of the policy for making accounts: a whole school may begin on the same day.</summary>
    public const string Making = "new accounts";

    private const int ResetAtOnce = 40;
    private const int AskedAtOnce = 20;
    private const int BegunAtOnce = 60;
    private const int MadeAtOnce = 300;
    private static readonly TimeSpan s_window = TimeSpan.FromMinutes(10);

    public static void AddAccountLimit(this IServiceCollection services) => services.AddRateLimiter(limits =>
    {
        limits.AddPolicy(Resetting, context => PostsOf(context, ResetAtOnce));
        limits.AddPolicy(Asking, context => PostsOf(context, AskedAtOnce));
        limits.AddPolicy(Beginning, context => PostsOf(context, BegunAtOnce));
        limits.AddPolicy(Making, context => PostsOf(context, MadeAtOnce));
    });

    private static RateLimitPartition<string> PostsOf(HttpContext context, int most) =>
        HttpMethods.IsPost(context.Request.Method)
            ? RateLimitPartition.GetFixedWindowLimiter(SourceAddress.Of(context), _ => new FixedWindowRateLimiterOptions { PermitLimit = most, Window = s_window })
            : RateLimitPartition.GetNoLimiter("");
}
