using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace Yardang.Web.Access;

/// <summary>A protected cookie with a few ids that this device has had to do with, the latest first. It holds no name.</summary>
public abstract class RememberedIds(IDataProtectionProvider protection, TimeProvider clock, string cookie, string purpose, int remembered, TimeSpan lifetime)
{
    private readonly ITimeLimitedDataProtector _protector = protection.CreateProtector(purpose).ToTimeLimitedDataProtector();

    /// <summary>The ids of a device. An expired or damaged cookie is none.</summary>
    public IReadOnlyList<Guid> Read(HttpRequest request)
    {
        if (request.Cookies[cookie] is not { Length: > 0 } value) return [];
        try
        {
            return [.. _protector.Unprotect(value).Split(' ').Select(Guid.Parse)];
        }
        catch (Exception e) when (e is CryptographicException or FormatException)
        {
            return [];
        }
    }

    /// <summary>Makes an id the latest of this device.</summary>
    public void Remember(HttpContext context, Guid id)
    {
        var all = Read(context.Request).Where(p => p != id).Prepend(id).Take(remembered);
        context.Response.Cookies.Append(cookie, _protector.Protect(string.Join(' ', all), lifetime), new CookieOptions
        {
            HttpOnly = true,
            Secure = context.Request.IsHttps,
            SameSite = SameSiteMode.Lax,
            IsEssential = true,
            Expires = clock.GetUtcNow() + lifetime,
        });
    }
}
