using Yardang.Core.Lessons;

namespace Yardang.Core.Tests.Lessons;

public class ReentryKeyTests
{
    private static readonly byte[] s_secret = [.. Enumerable.Range(0, 32).Select(i => (byte)i)];

    [Fact]
    public void Everybody_has_a_key_of_their_own_that_is_always_the_same()
    {
        var people = Enumerable.Range(0, 300).Select(_ => Guid.NewGuid()).ToList();
        var keys = people.ConvertAll(p => ReentryKey.Of(s_secret, p, 0));
        Assert.Equal(keys, people.ConvertAll(p => ReentryKey.Of(s_secret, p, 0)));
        Assert.Equal(300, keys.Distinct().Count());
        Assert.All(keys, k => Assert.Equal(k, ReentryKey.Read(k.Text)));
    }

    [Fact]
    public void Another_round_or_another_secret_gives_another_key()
    {
        var maya = Guid.NewGuid();
        Assert.NotEqual(ReentryKey.Of(s_secret, maya, 0), ReentryKey.Of(s_secret, maya, 1));
        Assert.NotEqual(ReentryKey.Of(s_secret, maya, 0), ReentryKey.Of([.. s_secret.Reverse()], maya, 0));
    }

    [Theory]
    [InlineData(" Brook-LANTERN  acorn ", "brook lantern acorn")]
    [InlineData("brook lantern", null)]
    [InlineData("brook lantern qwertz", null)]
    [InlineData(null, null)]
    public void A_key_is_read_however_it_was_typed(string? typed, string? read) => Assert.Equal(read, ReentryKey.Read(typed)?.Text);

    [Fact]
    public void There_are_about_a_hundred_million_keys() => Assert.InRange(ReentryKey.Count, 100_000_000, 120_000_000);
}
