using Yardang.Core.Activities;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Drafts;

public class TopicOutlineTests
{
    [Fact]
    public void Each_line_of_a_list_is_a_topic_and_behind_a_colon_is_what_to_write_there()
    {
        var topics = TopicOutline.Read("1. Materials: What are bridges made of?\r\n\r\n2) Forces\n- People:\twho needs them?\n• 3 kinds of load\n");
        Assert.Equal([new("Materials", "What are bridges made of?"), new("Forces", ""), new("People", "who needs them?"), new OutlinePage("3 kinds of load", "")], topics);
    }

    [Fact]
    public void With_headings_what_stands_under_each_is_what_to_write_there() =>
        Assert.Equal([new("Materials", "What are they made of?\nWhy?"), new OutlinePage("Forces", "")], TopicOutline.Read("# Materials\nWhat are they made of?\nWhy?\n## Forces"));

    [Fact]
    public void Whatever_is_pasted_makes_topics_that_a_wall_may_have()
    {
        Assert.Empty(TopicOutline.Read(" \n\n"));
        Assert.Empty(TopicOutline.Read("-\n:\n1.\n"));
        var long_ = string.Join('\n', Enumerable.Range(0, 500).Select(i => $"{new string('x', 500)}{i}: {new string('y', 5_000)}"));
        foreach (var text in new[] { long_, $"# {long_}" })
        {
            var topics = TopicOutline.Read(text);
            Assert.InRange(topics.Count, 1, WallPlan.MostTopics);
            Assert.All(topics, t => Assert.True(t.Title.Length <= Limits.NameLength && t.Directions.Length <= WallPlan.PromptLength));
        }
    }
}
