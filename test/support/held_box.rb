# frozen_string_literal: true

# A mailbox that holds what a test puts there: Wire::Mail::Message by their numbers.
HeldBox =
  Struct.new(:list) do
    def open = yield(self)
    def validity = 1
    def uids(after: 0, from: nil)
      list.select { |m| m.uid > after && (from.nil? || m.from.include?(from)) }.map(&:uid)
    end
    def each(uids, &block) = list.select { |m| uids.include?(m.uid) }.each(&block)
  end
