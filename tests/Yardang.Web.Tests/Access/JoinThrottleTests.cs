using System.Net;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Lessons;
using Yardang.Web.Access;

namespace Yardang.Web.Tests.Access;

public class JoinThrottleTests
{
    private readonly Clock _clock = new();
    private readonly JoinThrottle _throttle;
    private readonly ServiceProvider _services;

    public JoinThrottleTests()
    {
        _throttle = new JoinThrottle(_clock);
        _services = new ServiceCollection().AddSingleton(new ParticipantCookie(new EphemeralDataProtectionProvider(), _clock)).BuildServiceProvider();
    }

    [Fact]
    public void A_whole_school_behind_one_address_may_mistype_once()
    {
        for (var i = 0; i < 299; i++) _throttle.Failed(From("192.0.2.7"));
        Assert.False(_throttle.MustWait(From("192.0.2.7")));
    }

    [Fact]
    public void Guessing_from_one_address_is_slowed_down_and_others_do_not_notice()
    {
        for (var i = 0; i < 300; i++) _throttle.Failed(From("192.0.2.7"));
        Assert.True(_throttle.MustWait(From("192.0.2.7")));
        Assert.False(_throttle.MustWait(From("192.0.2.8")));
        _clock.Advance(TimeSpan.FromMinutes(5));
        Assert.False(_throttle.MustWait(From("192.0.2.7")));
    }

    [Fact]
    public void Strangers_hold_nobody_up_who_was_let_in_before_and_having_been_let_in_somewhere_gives_no_more_tries()
    {
        for (var i = 0; i < 300; i++) _throttle.Failed(From("192.0.2.7"));
        var known = LetInBefore("192.0.2.7");
        Assert.False(_throttle.MustWait(known));

        for (var i = 0; i < 300; i++) _throttle.Failed(LetInBefore("192.0.2.7"));
        Assert.True(_throttle.MustWait(known));
    }

    [Fact]
    public void Addresses_of_one_network_count_together()
    {
        for (var i = 0; i < 300; i++) _throttle.Failed(From($"2001:db8:1:2::{i + 1:x}"));
        Assert.True(_throttle.MustWait(From("2001:db8:1:2::ffff")));
        Assert.False(_throttle.MustWait(From("2001:db8:1:3::1")));
    }

    [Fact]
    public void At_that_pace_guessing_is_of_no_use()
    {
        var codes = Math.Pow(JoinCode.Alphabet.Length, JoinCode.Length);
        var triesADay = 2 * JoinThrottle.FailuresPerWindow * (TimeSpan.FromDays(1) / JoinThrottle.Window);
        const int lessonsOpen = 1_000;
        Assert.True(triesADay * lessonsOpen / codes < 0.002, "One address finds one of a thousand open lessons on fewer than two days in a thousand.");
    }

    private DefaultHttpContext From(string address)
    {
        var context = new DefaultHttpContext { RequestServices = _services };
        context.Connection.RemoteIpAddress = IPAddress.Parse(address);
        return context;
    }

    // Somebody who was in a lesson, perhaps in one of their own.
    private DefaultHttpContext LetInBefore(string address)
    {
        var before = From(address);
        _services.GetRequiredService<ParticipantCookie>().Remember(before, Guid.NewGuid());
        var context = From(address);
        context.Request.Headers.Cookie = before.Response.Headers.SetCookie.Single()!.Split(';')[0];
        return context;
    }

    private sealed class Clock : TimeProvider
    {
        private long _now = 1;

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override long GetTimestamp() => _now;

        public void Advance(TimeSpan by) => _now += by.Ticks;
    }
}
