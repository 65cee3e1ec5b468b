namespace Yardang.Web.Operating;

/// <summary>Who may make a teacher's account: the setting <c>Yardang:SignUp</c>.</summary>
public enum SigningUp
{
    /// <summary>Whoever comes; and lessons begin without an account.</summary>
    Open,

    /// <summary>Whom somebody with an account, or the administrator, has invited.</summary>
    Invitation,

    /// <summary>Nobody: the administrator makes accounts.</summary>
    Closed,
}
