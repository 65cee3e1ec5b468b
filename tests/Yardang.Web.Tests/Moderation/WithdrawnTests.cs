using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>What a teacher took down while somebody was away is not sent to them when they come back, not even for a moment.</summary>
public sealed class WithdrawnTests : InTrayLessons
{
    [Fact]
    public async Task Who_was_away_is_given_the_wall_as_it_is_then_and_teachers_what_happened()
    {
        var (_, host) = await ClassAsync();
        var before = host.Durable;
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Maya cannot count"));
        Assert.Contains("cannot count", await NextAsync(host, Maya, before), StringComparison.Ordinal);
        await DoAsync(host, Actor.Owner, new TakeCardDown(await CardAsync(host)));
        Assert.Equal("", await NextAsync(host, Maya, before));
        Assert.Contains("cannot count", await NextAsync(host, Actor.Owner, before), StringComparison.Ordinal);
        Assert.NotEqual("", await NextAsync(host, Maya, host.Durable));
    }

    [Fact]
    public async Task What_its_author_took_down_is_told_as_ever_and_what_is_taken_down_while_they_are_there_too()
    {
        var (_, host) = await ClassAsync();
        var before = host.Durable;
        long card = 0;
        await DoAsync(host, Ben, id => new PutUpCard(card = id, 11, "en", "Maya cannot count"));
        await DoAsync(host, Ben, new TakeCardDown(card));
        Assert.NotEqual("", await NextAsync(host, Maya, before));
        await DoAsync(host, Ben, new PutCardBack(card));
        var there = host.Watch(Maya, host.Durable);
        await host.NextFrameAsync(there, Stop);
        await DoAsync(host, Actor.Owner, new TakeCardDown(card));
        Assert.NotSame(Frame.Resync, await host.NextFrameAsync(there, Stop));
        host.Leave(there);
    }

    [Fact]
    public async Task So_it_is_with_answers()
    {
        var (_, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Arches push"));
        var (card, before) = (await CardAsync(host), host.Durable);
        long answer = 0;
        await DoAsync(host, Ben, id => new GiveAnswer(card, answer = id, 0, "en", "wrong as ever"));
        await DoAsync(host, Actor.Owner, new TakeAnswerDown(card, answer));
        Assert.Equal("", await NextAsync(host, Maya, before));
    }

    // What is sent first to somebody who knows it up to there; empty where they are to look at the whole.
    private static async Task<string> NextAsync(RoomHost host, Actor reader, long after)
    {
        var subscription = host.Watch(reader, after);
        var frame = await host.NextFrameAsync(subscription, Stop);
        host.Leave(subscription);
        return ReferenceEquals(frame, Frame.Resync) ? "" : System.Text.Encoding.UTF8.GetString(frame);
    }
}
