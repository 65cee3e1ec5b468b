using Yardang.Core.ClassLists;

namespace Yardang.Core.Tests.ClassLists;

/// <summary>Made-up names for a class of which none is to be kept.</summary>
public class AliasTests
{
    [Fact]
    public void A_thousand_get_a_thousand_that_can_be_said_aloud()
    {
        var given = Alias.Give(Enumerable.Range(1, 1_000).Select(n => new ClassEntry(n, "")), new Random(1));
        Assert.Equal(1_000, given.Select(e => e.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.All(given, e => Assert.Matches("^[BDLMNRSTVZ][aeiou]([bdlmnrstvz][aeiou]){2}$", e.Name));
    }

    [Fact]
    public void Who_has_a_name_keeps_it_and_nobody_gets_the_same()
    {
        var given = Alias.Give([new(1, "Maya"), new(2, "", 3, "es")], new Random(2));
        Assert.Equal("Maya", given[0].Name);
        Assert.Equal((3, "es"), (given[1].Level, given[1].Language));
    }
}
