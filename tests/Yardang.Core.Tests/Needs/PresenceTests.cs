using Yardang.Core.Lessons;
using Yardang.Core.Needs;

namespace Yardang.Core.Tests.Needs;

/// <summary>Who is here, away, gone, or never came: one truth.</summary>
public class PresenceTests
{
    private static readonly Person s_maya = new(2, 0);

    [Fact]
    public void Who_loads_the_page_anew_is_here_all_the_time()
    {
        var contact = Contact.Seen(null, true, 1_000);
        contact = Contact.Seen(contact, false, 60_000);
        Assert.Equal(Presence.Here, Contact.Of(s_maya, contact, 70_000));
        contact = Contact.Seen(contact, true, 72_000);
        Assert.Equal((true, 0L), (contact.IsConnected, contact.AwayBefore));
    }

    [Fact]
    public void Without_a_device_one_is_away_and_after_ten_minutes_not_waited_for_any_more()
    {
        var contact = Contact.Seen(Contact.Seen(null, true, 1_000), false, 60_000);
        Assert.Equal(Presence.Away, Contact.Of(s_maya, contact, 60_000 + Contact.Grace));
        Assert.Equal(Presence.Away, Contact.Of(s_maya, contact, 60_000 + Contact.GoneAfter - 1));
        Assert.Equal(Presence.Gone, Contact.Of(s_maya, contact, 60_000 + Contact.GoneAfter));
        Assert.Equal(90_000, Contact.Seen(contact, true, 150_000).AwayBefore);
    }

    [Theory]
    [InlineData(Standing.Expected, Presence.NeverCame)]
    [InlineData(Standing.Waiting, Presence.Gone)]
    [InlineData(Standing.Removed, Presence.Gone)]
    [InlineData(Standing.In, Presence.Here)]
    public void Only_who_is_in_the_lesson_is_here(Standing standing, Presence presence) =>
        Assert.Equal(presence, Contact.Of(s_maya with { Standing = standing }, new(true, 0), 1_000));

    [Fact]
    public void Of_whom_nothing_is_known_since_the_server_began_nobody_waits() => Assert.Equal(Presence.Gone, Contact.Of(s_maya, null, 1_000));
}
