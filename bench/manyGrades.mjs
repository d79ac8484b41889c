/** Multiplies the library on its way to a page, so that nothing is written. */
export async function withManyGrades(page, wanted) {
  await page.route('**/api/v1/library', async (route) => {
    const response = await route.fetch({ headers: { ...route.request().headers(), 'if-none-match': '' } });
    const library = await response.json();
    const grades = Array.from({ length: wanted }, (_, i) => {
      const grade = library.grades[i % library.grades.length];
      return i < library.grades.length ? grade : { ...grade, id: `${grade.id}-${i}` };
    });
    await route.fulfill({ response, json: { ...library, grades } });
  });
}
