using Yardang.Core.Lessons;
using Yardang.Web.Access;

namespace Yardang.Web.Tests.Access;

public class JoinThrottleTests
{
    private readonly Clock _clock = new();

    [Fact]
    public void So_many_go_at_once_and_then_one_after_the_other_at_a_pace()
    {
        var pace = new Pace(3, perSecond: 10, mostWaiting: 2, _clock);
        Assert.All(Enumerable.Range(0, 3), _ => Assert.Equal(TimeSpan.Zero, pace.TakeTurn("here")));
        Assert.Equal(100, pace.TakeTurn("here")!.Value.TotalMilliseconds, 1);
        Assert.Equal(200, pace.TakeTurn("here")!.Value.TotalMilliseconds, 1);
        Assert.Null(pace.TakeTurn("here"));
        Assert.Equal(TimeSpan.Zero, pace.TakeTurn("elsewhere"));
        _clock.Advance(TimeSpan.FromMilliseconds(300));
        Assert.Equal(TimeSpan.Zero, pace.TakeTurn("here"));
    }

    [Fact]
    public void What_was_harmless_is_given_back_so_that_any_number_of_right_codes_goes_through()
    {
        var pace = new Pace(3, perSecond: 10, mostWaiting: 0, _clock);
        for (var i = 0; i < 1_000; i++)
        {
            Assert.Equal(TimeSpan.Zero, pace.TakeTurn("school"));
            pace.GiveBack("school");
        }
    }

    [Fact]
    public void At_that_pace_guessing_is_of_no_use()
    {
        var codes = Math.Pow(JoinCode.Alphabet.Length, JoinCode.Length);

        // Those who were let in before, and the others.
        var triesADay = 2 * JoinThrottle.PerSecond * TimeSpan.FromDays(1).TotalSeconds;
        const int lessonsOfASchool = 50;
        Assert.True(triesADay * lessonsOfASchool / codes < 0.001, "One address finds one of a school's open lessons on fewer than one day in a thousand.");
    }

    [Fact]
    public void A_school_comes_in_from_one_address_within_a_minute_and_who_makes_people_up_is_slowed_down()
    {
        var limit = new JoinLimit(_clock);
        var (lesson, other) = (Guid.NewGuid(), Guid.NewGuid());
        var here = new Microsoft.AspNetCore.Http.DefaultHttpContext();
        Assert.All(Enumerable.Range(0, 300), _ => Assert.True(limit.LetsIn(here, lesson, 0)));
        Assert.False(limit.LetsIn(here, lesson, JoinLimit.OfDevice));
        Assert.InRange(Enumerable.Range(0, 1_000).Count(_ => limit.LetsIn(here, lesson, 0)), 1, 30);
        Assert.True(limit.LetsIn(here, other, 0));
        _clock.Advance(TimeSpan.FromMinutes(1));
        Assert.Equal(30, Enumerable.Range(0, 1_000).Count(_ => limit.LetsIn(here, lesson, 0)));
    }

    private sealed class Clock : TimeProvider
    {
        private long _now = 1;

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override long GetTimestamp() => _now;

        public void Advance(TimeSpan by) => _now += by.Ticks;
    }
}
