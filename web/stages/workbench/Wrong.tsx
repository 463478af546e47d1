/** What is wrong with a field. */
export const Wrong = ({ text }: { text: string }) => (
  <span className="block text-[14px] font-semibold leading-[18px] text-chalk-t" role="alert">
    {text}
  </span>
);
