using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class BoardConfiguration : IEntityTypeConfiguration<BoardRecord>
{
    public void Configure(EntityTypeBuilder<BoardRecord> builder)
    {
        builder.ToTable("Boards");
        builder.HasIndex(b => new { b.LessonId, b.Kind, b.Number }).IsUnique();
    }
}
