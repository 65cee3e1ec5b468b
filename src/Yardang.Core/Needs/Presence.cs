using Yardang.Core.Lessons;

namespace Yardang.Core.Needs;

/// <summary>Whether somebody is here. One truth for all who ask.</summary>
public enum Presence
{
    /// <summary>They are expected, and have not come.</summary>
    NeverCame = 0,

    /// <summary>A device of theirs is connected, or was a moment ago.</summary>
    Here = 1,

    /// <summary>They were here, and no device of theirs is connected.</summary>
    Away = 2,

    /// <summary>They have been away for long, were taken out, or not let in: they are not waited for.</summary>
    Gone = 3,
}

/// <summary>What is known of somebody's devices. Kept while a lesson is open on the server, and not stored.</summary>
/// <param name="IsConnected">Whether one is connected.</param>
/// <param name="Since">Since when, server time in ms.</param>
/// <param name="AwayBefore">How long they had been away before they came back, ms; 0 if they were not.</param>
public sealed record Contact(bool IsConnected, long Since, long AwayBefore = 0)
{
    /// <summary>So long is somebody still here whose page is just being loaded anew, ms.</summary>
    public const long Grace = 15_000;

    /// <summary>After so long away nobody is waited for any more, ms.</summary>
    public const long GoneAfter = 10 * 60_000;

    /// <summary>What is known now that it was looked again.</summary>
    /// <param name="before">What was known; null for nothing.</param>
    /// <param name="isConnected">Whether a device is connected now.</param>
    /// <param name="now">Server time, ms.</param>
    public static Contact Seen(Contact? before, bool isConnected, long now) => before switch
    {
        null => new(isConnected, now),
        _ when before.IsConnected == isConnected => before,

        // Who loads a page anew was here all the time.
        { IsConnected: false } when now - before.Since < Grace => new(true, before.Since, before.AwayBefore),
        { IsConnected: false } => new(true, now, now - before.Since),
        _ => new(false, now),
    };

    /// <summary>Whether somebody is here.</summary>
    /// <param name="person">Who, as the lesson knows them.</param>
    /// <param name="contact">What is known of their devices; null for nothing.</param>
    /// <param name="now">Server time, ms.</param>
    public static Presence Of(Person person, Contact? contact, long now) => person.Standing switch
    {
        Standing.Expected => Presence.NeverCame,
        not Standing.In => Presence.Gone,
        _ when contact is { IsConnected: true } || (contact is not null && now - contact.Since < Grace) => Presence.Here,
        _ when contact is not null && now - contact.Since < GoneAfter => Presence.Away,
        _ => Presence.Gone,
    };
}
