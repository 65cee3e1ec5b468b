namespace Yardang.Web.Access;

/// <summary>How many messages with a link one address gets: three, then one in twenty minutes. Nobody's box is filled by somebody else.</summary>
public sealed class MailLimit(TimeProvider clock)
{
    private readonly Pace _pace = new(3, 1.0 / (20 * 60), 0, clock);

    /// <summary>Whether one more may go to this address.</summary>
    public bool Allows(string email) => _pace.TakeTurn(email.Trim().ToUpperInvariant()) is not null;
}
