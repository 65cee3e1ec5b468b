using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class DeletedLessonConfiguration : IEntityTypeConfiguration<DeletedLessonRecord>
{
    public void Configure(EntityTypeBuilder<DeletedLessonRecord> builder)
    {
        builder.ToTable("DeletedLessons");
        builder.HasIndex(d => d.OwnerId);
    }
}
