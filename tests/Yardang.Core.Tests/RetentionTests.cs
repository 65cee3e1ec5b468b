using Yardang.Core.PersonalData;

namespace Yardang.Core.Tests;

/// <summary>How long a lesson is kept.</summary>
public class RetentionTests
{
    private static readonly DateTimeOffset s_used = new(2026, 1, 10, 9, 0, 0, TimeSpan.Zero);

    private static readonly Retention s_school = new(s_used, null, TimeSpan.FromDays(100), null);

    [Fact]
    public void Without_a_rule_and_a_choice_it_is_kept()
    {
        var kept = s_school with { SchoolKeeps = null };
        Assert.Null(kept.DeletedAt(After(10_000)));
        Assert.False(kept.IsToBeTold(After(10_000)) || kept.IsDue(After(10_000)) || kept.IsNear(After(10_000)));
    }

    [Fact]
    public void Its_teacher_is_told_two_weeks_before_and_then_it_goes()
    {
        Assert.False(s_school.IsToBeTold(After(85)));
        Assert.True(s_school.IsToBeTold(After(86)));
        var told = s_school with { ToldAt = After(86) };
        Assert.False(told.IsToBeTold(After(86)));
        Assert.False(told.IsDue(After(99)));
        Assert.True(told.IsDue(After(100)));
    }

    [Fact]
    public void Who_is_told_late_has_two_weeks_all_the_same()
    {
        // The server was off for a year, or the school made its rule stricter.
        Assert.False(s_school.IsDue(After(400)));
        Assert.Equal(After(414), s_school.DeletedAt(After(400)));
        var told = s_school with { ToldAt = After(400) };
        Assert.False(told.IsDue(After(413)));
        Assert.True(told.IsDue(After(414)));
    }

    [Fact]
    public void Used_again_it_stays_and_its_teacher_is_told_again_when_it_is_time()
    {
        var told = s_school with { ToldAt = After(86), LastUsed = After(90) };
        Assert.True(told.IsToldInVain(After(91)));
        Assert.False(told.IsDue(After(101)));
        Assert.True((told with { ToldAt = null }).IsToBeTold(After(176)));
    }

    [Fact]
    public void A_day_that_the_teacher_chose_holds_but_not_beyond_the_schools()
    {
        var chosen = s_school with { Chosen = After(20) };
        Assert.True(chosen.IsChosen);
        Assert.Equal(After(20), chosen.DeletedAt(After(1)));
        Assert.True(chosen.IsToBeTold(After(6)));
        Assert.True((chosen with { ToldAt = After(19) }).IsDue(After(20)));
        var beyond = s_school with { Chosen = After(300) };
        Assert.False(beyond.IsChosen);
        Assert.Equal(After(100), beyond.DeletedAt(After(1)));
    }

    [Fact]
    public void What_is_worked_on_is_not_deleted_whatever_was_chosen()
    {
        var chosen = s_school with { Chosen = After(20), LastUsed = After(20), ToldAt = After(6) };
        Assert.False(chosen.IsDue(After(20.5)));
        Assert.True(chosen.IsDue(After(21)));
    }

    [Fact]
    public void Nothing_goes_of_which_its_teacher_was_not_told_before()
    {
        var chance = new Random(20261201);
        for (var n = 0; n < 5_000; n++)
        {
            var retention = new Retention(After(chance.Next(200)), chance.Next(2) == 0 ? null : After(chance.Next(300)), chance.Next(3) == 0 ? null : TimeSpan.FromDays(chance.Next(1, 150)), chance.Next(2) == 0 ? null : After(chance.Next(300)));
            var now = After(chance.Next(400));
            if (!retention.IsDue(now)) continue;
            Assert.NotNull(retention.ToldAt);
            Assert.True(retention.IsChosen || now - retention.ToldAt >= Retention.Notice);
            Assert.True(now - retention.LastUsed >= (retention.SchoolKeeps is { } keeps && keeps < Retention.Rest ? keeps : Retention.Rest));
        }
    }

    private static DateTimeOffset After(double days) => s_used.AddDays(days);
}
