using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Web.Moderation;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.Moderation;

/// <summary>What students tell their teacher of is found in the in-tray, and decided there.</summary>
public sealed class ConcernsInTrayTests : InTrayLessons
{
    [Fact]
    public async Task It_says_what_it_is_who_told_and_why_once_however_many_told()
    {
        var (lesson, host) = await ClassAsync();
        await School.StudentAsync(lesson.Code, "Cleo");
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Maya cannot count"));
        var card = await CardAsync(host);
        await DoAsync(host, Maya, new RaiseConcern(card, 0, ConcernReason.Hurts, "It is about me"));
        await DoAsync(host, new Actor(4, Role.Student), new RaiseConcern(card, 0, ConcernReason.Other, ""));
        var thing = Assert.Single(await ThingsAsync(Varga, 1));
        Assert.Equal(("card", "concern", "Ben", "Maya cannot count", "Materials", false), (thing.Kind, thing.Why, thing.Name, thing.Words, thing.Where, thing.IsDown));
        await Eventually.IsAsync(async () => (await ThingsAsync(Varga, 1))[0].ToldBy.Count == 2);
        Assert.Equal([new("Maya", "It hurts somebody", "It is about me"), new Told("Cleo", "Something else", "")], (await ThingsAsync(Varga, 1))[0].ToldBy);
    }

    [Fact]
    public async Task Taken_down_there_with_a_word_it_is_gone_for_classmates_and_two_never_decide_twice()
    {
        var (lesson, host) = await ClassAsync();
        var (cleo, cleos) = await School.StudentAsync(lesson.Code, "Cleo");
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Maya cannot count"));
        var card = await CardAsync(host);
        await DoAsync(host, Maya, new RaiseConcern(card, 0, ConcernReason.Hurts, "It is about me"));
        var thing = Assert.Single(await ThingsAsync(Varga, 1));
        Assert.Equal(["refused"], await DecideAsync(Varga, "return", "Mend it", thing));
        Assert.Equal(["done"], await DecideAsync(Varga, "leave", "About the bridge, please", thing));
        Assert.Equal(["decided"], await DecideAsync(Varga, "add", "", thing));
        var taken = (await StateAsync(host)).Cards[card];
        Assert.Equal((Actor.Owner.Number, "About the bridge, please", false), (taken.DownBy, taken.DownWhy, taken.Removed));
        var seen = await SnapshotAsync(cleo, host.Id, cleos);
        Assert.DoesNotContain("cannot count", seen, StringComparison.Ordinal);
        Assert.DoesNotContain("It is about me", seen, StringComparison.Ordinal);
        await ThingsAsync(Varga, 0);
    }

    [Fact]
    public async Task After_as_many_as_the_teacher_said_it_hides_itself_and_what_is_all_right_comes_back()
    {
        var (lesson, host) = await ClassAsync();
        await School.StudentAsync(lesson.Code, "Cleo");
        var room = await School.Get<RoomHosts>().GetAsync(lesson.Id);
        await DoAsync(room, Actor.Owner, new SetHiding(2));
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Bridges are boring"));
        var card = await CardAsync(host);
        await DoAsync(host, Maya, new RaiseConcern(card, 0, ConcernReason.NotTheWork, ""));
        Assert.False(Assert.Single(await ThingsAsync(Varga, 1)).IsDown);
        await DoAsync(host, new Actor(4, Role.Student), new RaiseConcern(card, 0, ConcernReason.NotTheWork, ""));
        await Eventually.IsAsync(async () => (await ThingsAsync(Varga, 1))[0].IsDown);
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", (await ThingsAsync(Varga, 1))[0]));
        Assert.True((await StateAsync(host)).Cards[card].IsUp);
    }

    [Fact]
    public async Task An_answer_can_be_told_of_too_and_what_its_author_took_down_stays_down()
    {
        var (_, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Arches push"));
        var card = await CardAsync(host);
        long answer = 0;
        await DoAsync(host, Ben, id => new GiveAnswer(card, answer = id, 0, "en", "wrong as ever"));
        await DoAsync(host, Maya, new RaiseConcern(card, answer, ConcernReason.Hurts, ""));
        var thing = Assert.Single(await ThingsAsync(Varga, 1));
        Assert.Equal(("answer", "Ben", "wrong as ever", "Arches push"), (thing.Kind, thing.Name, thing.Words, thing.About));
        await DoAsync(host, Ben, new TakeAnswerDown(card, answer));
        Assert.Equal(["done"], await DecideAsync(Varga, "add", "", thing));
        Assert.False((await StateAsync(host)).Cards[card].Said.Single().IsUp);
    }

    [Fact]
    public async Task Where_names_are_for_nobody_it_says_neither_who_told_nor_whose_it_is_and_is_decided_all_the_same()
    {
        var (lesson, wall) = await HandOutAsync(Plan with { Rules = Plan.Rules with { Names = NamesTo.Nobody } });
        foreach (var name in new[] { "Maya", "Ben", "Cleo" }) await School.StudentAsync(lesson.Code, name);
        var host = await School.Get<RoomHosts>().GetAsync(wall);
        foreach (var actor in new[] { Maya, Ben, new Actor(4, Role.Student) }) await DoAsync(host, actor, id => new PutUpCard(id, 11, "en", $"by {actor.Number}"));
        await host.SubmitAsync(new LetCardsOut(), Actor.Program, Stop);
        long bens = 0;
        await host.LookAsync(r => bens = ((Wall)r).Veil.Over(Maya, ((Wall)r).Cards.Values.Single(c => c.Author == Ben.Number).Id), Stop);
        await DoAsync(host, Maya, new RaiseConcern(bens, 0, ConcernReason.Hurts, "It is about me"));
        var thing = Assert.Single(await ThingsAsync(Varga, 1));
        Assert.Equal(("", 0, "by 3"), (thing.Name, thing.Person, thing.Words));
        Assert.Equal([new Told("", "It hurts somebody", "It is about me")], thing.ToldBy);
        Assert.Equal(["done"], await DecideAsync(Varga, "leave", "", thing));
        Assert.False((await StateAsync(host)).Cards.Values.Single(c => c.Author == Ben.Number).IsUp);
    }
}
