using System.Threading.RateLimiting;
using Microsoft.Extensions.Localization;
using Yardang.Web.Access;

namespace Yardang.Web.Media;

/// <summary>How many pictures, films and sounds one person may send: enough for any work, and too few to fill a disk.</summary>
public static class UploadLimit
{
    /// <summary>Name of the policy.</summary>
    public const string Policy = "uploads";

    /// <summary>Name of the policy for pieces of files.</summary>
    public const string Pieces = "pieces";

    // Two files of 20 MB at once, in pieces of 256 kB, and as many questions how far they have come.
    private static readonly TokenBucketRateLimiterOptions s_pieces = Bucket(atOnce: 200, perMinute: 200);

    private static readonly TokenBucketRateLimiterOptions s_student = Bucket(atOnce: 20, perMinute: 20);

    // A document of 50 pages, and some pictures beside it.
    private static readonly TokenBucketRateLimiterOptions s_teacher = Bucket(atOnce: 150, perMinute: 120);

    public static void AddUploadLimit(this IServiceCollection services) => services.AddRateLimiter(limits =>
    {
        limits.AddPolicy(Policy, context =>
        {
            var visitor = Visitor.Of(context);
            return visitor is { As: null, TeacherId: { } teacher }
                ? RateLimitPartition.GetTokenBucketLimiter(teacher, _ => s_teacher)
                : RateLimitPartition.GetTokenBucketLimiter(visitor.As ?? (visitor.Participants is [var first, ..] ? first : Guid.Empty), _ => s_student);
        });
        limits.AddPolicy(Pieces, context => RateLimitPartition.GetTokenBucketLimiter(Visitor.Of(context) is var visitor && visitor is { As: null, TeacherId: { } teacher } ? teacher : visitor.As ?? (visitor.Participants is [var first, ..] ? first : Guid.Empty), _ => s_pieces));
        limits.OnRejected = async (rejected, stop) =>
        {
            var texts = rejected.HttpContext.RequestServices.GetRequiredService<IStringLocalizer<UiTexts>>();
            rejected.HttpContext.Response.StatusCode = StatusCodes.Status429TooManyRequests;

            // Pages are answered by a page (/fault/429).
            if (!rejected.HttpContext.Request.Path.StartsWithSegments("/rooms", StringComparison.Ordinal)) return;
            await rejected.HttpContext.Response.WriteAsJsonAsync(new { fault = texts["Picture.TooMany"].Value }, stop);
        };
    });

    private static TokenBucketRateLimiterOptions Bucket(int atOnce, int perMinute) => new()
    {
        TokenLimit = atOnce,
        TokensPerPeriod = perMinute,
        ReplenishmentPeriod = TimeSpan.FromMinutes(1),
        QueueLimit = 0,
    };
}
