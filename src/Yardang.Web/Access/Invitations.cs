using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;
using Yardang.Web.Operating;

namespace Yardang.Web.Access;

/// <summary>Invitations to make an account on this server. Each is for one address, holds for two weeks, and is used up once that address has an account.</summary>
public sealed class Invitations(IConfiguration configuration, IDataProtectionProvider protection)
{
    /// <summary>How long one holds.</summary>
    public static readonly TimeSpan Holds = TimeSpan.FromDays(14);

    private readonly ITimeLimitedDataProtector _protector = protection.CreateProtector("invitation to an account").ToTimeLimitedDataProtector();

    /// <summary>Who may make an account.</summary>
    public SigningUp SignUp { get; } = configuration.GetValue("Yardang:SignUp", SigningUp.Open);

    /// <summary>Whether teachers may invite others.</summary>
    public bool TeachersInvite => SignUp is SigningUp.Invitation;

    /// <summary>The path with which somebody makes an account for an address.</summary>
    public string PathFor(string email) => $"/sign-up?invitation={Uri.EscapeDataString(_protector.Protect(email, Holds))}";

    /// <summary>For which address an invitation is; null if it does not hold (any more).</summary>
    public string? Read(string? invitation)
    {
        if (SignUp is SigningUp.Closed || string.IsNullOrEmpty(invitation)) return null;
        try
        {
            return _protector.Unprotect(invitation);
        }
        catch (CryptographicException)
        {
            return null;
        }
    }
}
