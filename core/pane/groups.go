package pane

// Parts of what is asked of a material, each over the material itself.
type (
	gating    struct{ Material } // what rules it out
	bending   struct{ Material } // what it carries
	repeating struct{ Material } // whether it would break again
	ranking   struct{ Material } // where it stands among the others
)
