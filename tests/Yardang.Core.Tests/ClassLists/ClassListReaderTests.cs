using Yardang.Core.ClassLists;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.ClassLists;

public class ClassListReaderTests
{
    private static (IReadOnlyList<ClassEntry> Entries, IReadOnlyList<ListProblem> Problems) Read(params string[] lines)
    {
        var (entries, problems) = ClassListReader.Read([.. lines.Select((l, i) => (i + 1, (IReadOnlyList<string>)l.Split(',')))]);
        return (entries, problems);
    }

    [Fact]
    public void Names_alone_get_the_numbers_in_their_order() =>
        Assert.Equal([new(1, "Amara Nwosu"), new(2, "Ben"), new(3, "Zofia Brzask")], Read("Amara Nwosu", "", "  Ben ", "Zofia  Brzask").Entries);

    [Fact]
    public void Numbers_alone_are_a_class_without_names() => Assert.Equal([new(3, ""), new(7, "")], Read("7", "3").Entries);

    [Fact]
    public void Who_has_no_number_gets_the_next_free_one() => Assert.Equal([new(1, "Ben"), new(2, "Amara"), new(3, "Maya")], Read("2,Amara", "Ben", "Maya").Entries);

    [Fact]
    public void Columns_that_are_named_may_come_in_any_order_and_others_are_left_alone() =>
        Assert.Equal([new(4, "Mei-Lin Hartono", 2)], Read("Level,Family name,Born,Given name,No.", "2,Hartono,2014,Mei-Lin,4").Entries);

    [Fact]
    public void Every_line_that_cannot_be_taken_is_named_and_then_nothing_is_taken()
    {
        var (entries, problems) = Read("number,name,level", "1,Amara,1", "zwei,Ben,1", "1,Maya,1", "4," + new string('x', 41) + ",1", "5,Leif,12", ",,3");
        Assert.Empty(entries);
        Assert.Equal([(3, ListFault.BadNumber), (4, ListFault.NumberTwice), (5, ListFault.BadName), (6, ListFault.BadLevel), (7, ListFault.Nobody)], problems.Select(p => (p.Line, p.Fault)));
    }

    [Fact]
    public void More_people_than_a_lesson_holds_are_refused_with_the_line_where_it_is_full()
    {
        var (entries, problems) = Read([.. Enumerable.Range(1, 5_000).Select(i => $"{i},Student {i}")]);
        Assert.Empty(entries);
        Assert.Equal((Limits.People + 1, ListFault.TooMany), (problems[0].Line, problems[0].Fault));
    }

    [Theory]
    [InlineData("7", 7)]
    [InlineData("oona fairweather", 8)]
    [InlineData("Zofía", 9)]
    [InlineData("Ben", null)]
    [InlineData("12", null)]
    [InlineData("", null)]
    public void A_typed_name_or_number_means_one_person_or_nobody(string typed, int? number)
    {
        ClassEntry[] list = [new(7, "Ben"), new(8, "Oona Fairweather"), new(9, "Zofia"), new(10, "ben")];
        Assert.Equal(number, ClassListReader.Find(list, typed)?.Number);
    }
}
