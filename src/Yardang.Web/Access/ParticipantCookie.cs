using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace Yardang.Web.Access;

/// <summary>
/// What brings a student back to their board: a protected cookie with the participants that this device was, the latest first.
/// It holds no name. Several, because devices are shared.
/// </summary>
public sealed class ParticipantCookie(IDataProtectionProvider protection, TimeProvider clock)
{
    private const string Name = "yardang-participant";
    private const int Remembered = 12;
    private static readonly TimeSpan s_lifetime = TimeSpan.FromDays(180);

    private readonly ITimeLimitedDataProtector _protector = protection.CreateProtector("Yardang.Participants.v1").ToTimeLimitedDataProtector();

    /// <summary>The participants of a device. An expired or damaged cookie is none.</summary>
    public IReadOnlyList<Guid> Read(HttpRequest request)
    {
        if (request.Cookies[Name] is not { Length: > 0 } value) return [];
        try
        {
            return [.. _protector.Unprotect(value).Split(' ').Select(Guid.Parse)];
        }
        catch (Exception e) when (e is CryptographicException or FormatException)
        {
            return [];
        }
    }

    /// <summary>Makes a participant the latest of this device.</summary>
    public void Remember(HttpContext context, Guid participant)
    {
        var all = Read(context.Request).Where(p => p != participant).Prepend(participant).Take(Remembered);
        context.Response.Cookies.Append(Name, _protector.Protect(string.Join(' ', all), s_lifetime), new CookieOptions
        {
            HttpOnly = true,
            Secure = context.Request.IsHttps,
            SameSite = SameSiteMode.Lax,
            IsEssential = true,
            Expires = clock.GetUtcNow() + s_lifetime,
        });
    }
}
