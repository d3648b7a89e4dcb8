# frozen_string_literal: true

# A mailbox that holds what a test puts there: Core::Post::Message, at places with numbers.
HeldBox =
  Struct.new(:list) do
    def open = yield(self)
    def validity = 1
    def uids(after: 0, from: nil)
      there = list.select { |m| from.nil? || m.sender.include?(from) }
      there.map { |m| m.place.uid }.select { |uid| uid > after }
    end
    def each(uids, &block) = list.select { |m| uids.include?(m.place.uid) }.each(&block)
  end
